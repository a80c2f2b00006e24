/** When to start: the best starts of a week, and the moments of one that want a person. */
export type { StartTask } from './start-task';
export { saveWatchTimes } from './watch-times';
/** Fetched when it is opened. */
export const startDialog = () => import('./StartDialog.svelte');
