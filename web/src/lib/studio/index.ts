/** The studio’s own settings. */
export { studioSettings } from './queries';
