/** A firing from a sentence. */
export { default as MarkedWords } from './MarkedWords.svelte';
export { nothingSaid, type SaidFiring } from './said';
export { Saying, written } from './saying.svelte';
