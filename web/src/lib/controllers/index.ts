/** Saying schedules to controllers: cards, panels, read-backs, banks. */
export { default as SetStage } from './SetStage.svelte';
export { controllerList } from './queries';
export { controllerLine } from './words';
