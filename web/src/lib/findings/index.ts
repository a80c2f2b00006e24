/** Findings as rows, and what was accepted of them. */
export { acceptanceOf, withAcceptance } from './acceptance';
export { default as FindingRows } from './FindingRows.svelte';
