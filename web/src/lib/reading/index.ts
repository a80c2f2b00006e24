/** Reading a finished firing: packs, faults, what to change. */
export { shelfWords } from './words';
export { faultName, faults } from './faults';
