/** A schedule being written: its draft, where it is to be fired, and what it looks like there. */
export { keepKiln } from './chosen-kiln';
export { scheduleDifferences } from './differences';
export { fromSchedule, sameWords, toBody, written } from './draft';
export type { FiringPlace } from './firing-place.svelte';
export type { PreviewLoop } from './preview-loop.svelte';
export type { ScheduleDraft } from './schedule-draft.svelte';
export { ShorthandLine } from './shorthand-line.svelte';
