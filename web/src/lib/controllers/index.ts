/** Saying schedules to controllers: cards, panels, read-backs, banks. */
export { default as BankList } from './BankList.svelte';
export { default as LivePanel } from './LivePanel.svelte';
export { default as PracticeTask } from './PracticeTask.svelte';
export { default as SetStage } from './SetStage.svelte';
export { Machine } from './machine.svelte';
export { ControllerDraft, openController } from './controller-draft.svelte';
export { default as ProfileForm } from './ProfileForm.svelte';
export { default as QuestionRow } from './QuestionRow.svelte';
