/** Turning a fuel kiln: its settings, turns and signs in words, and what is asked at the kiln. */
export { default as GasStrip } from './GasStrip.svelte';
export { default as NextTurn } from './NextTurn.svelte';
export { default as SettingDialog } from './SettingDialog.svelte';
export { default as SignDialog } from './SignDialog.svelte';
export { default as TurnTable } from './TurnTable.svelte';
export { default as ReplanCard } from './ReplanCard.svelte';
export { default as WrongDialog } from './WrongDialog.svelte';
export { default as ShutOffDialog } from './ShutOffDialog.svelte';
