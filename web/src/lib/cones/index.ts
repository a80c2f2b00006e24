export { default as ConeRow } from './ConeRow.svelte';
