/** What kilns were taught by their firings. */
export { default as TaughtLine } from './TaughtLine.svelte';
