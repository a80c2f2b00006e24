/** The library of schedules. */
export { removeSchedule } from './remove';
