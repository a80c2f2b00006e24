/** Reading a finished firing: packs, faults, what to change. */
export { faultName, faults } from './faults';
