/** How a kiln is packed: drawn in section and from above, and on its sheet. */
export { default as ChamberCard } from './ChamberCard.svelte';
export { default as KilnSection } from './KilnSection.svelte';
export { default as LoadingSheet } from './LoadingSheet.svelte';
export { default as PackingCard } from './PackingCard.svelte';
export { hasSize, isRaw, PackingLoop } from './packing-loop.svelte';
export { shadesOf } from './maker-colours';
