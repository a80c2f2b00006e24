/** A firing from a sentence. */
export { default as MarkedWords } from './MarkedWords.svelte';
export { default as SaidFacts } from './SaidFacts.svelte';
export { Saying, written } from './saying.svelte';
