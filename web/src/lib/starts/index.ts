/** When to start: the best starts of a week, and the moments of one that want a person. */
export type { FiringAsked } from './asked';
export { saveWatchTimes } from './watch-times';
/** Fetched when it is opened. */
export const startDialog = () => import('./StartDialog.svelte');
