export { default as ConeRow } from './ConeRow.svelte';
export { coneOutline, coneTip } from './outline';
