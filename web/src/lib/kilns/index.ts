/** The kilns of the studio. */
export { kilnList } from './queries';
