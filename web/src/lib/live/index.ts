/** Firings under way: the kiln room, the kiln page, alarms, what is noted. */
export { default as FireStage } from './FireStage.svelte';
export { default as AlarmBanner } from './AlarmBanner.svelte';
export { default as RoomKilns } from './RoomKilns.svelte';
export { default as CheckListsCard } from './CheckListsCard.svelte';
export { default as TokenCard } from './TokenCard.svelte';
export { outbox } from './outbox.svelte';
