/** Findings as rows, how a number came about, and what was accepted of them. */
export { acceptanceOf, withAcceptance } from './acceptance';
export { default as BasisNote } from './BasisNote.svelte';
export { default as FindingRows } from './FindingRows.svelte';
