/** Finished firings: found, compared, followed. */
export { default as LastTime } from './LastTime.svelte';
export { default as TrendLine } from './TrendLine.svelte';
