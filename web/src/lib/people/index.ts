export { default as AuditList } from './AuditList.svelte';
export { default as DevicesCard } from './DevicesCard.svelte';
export { default as NetworkCard } from './NetworkCard.svelte';
export { default as OldNames } from './OldNames.svelte';
export { default as PeopleCard } from './PeopleCard.svelte';
export { default as TrustSteps } from './TrustSteps.svelte';
export { default as ShareStudio } from './ShareStudio.svelte';
export { default as YouCard } from './YouCard.svelte';
export { pair } from './session';
