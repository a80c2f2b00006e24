<script lang="ts">
  import type { Kiln, LoadBody, Profile, ScheduleBody } from '$lib/api/client';
  interface Props {
    schedule: ScheduleBody;
    name: string;
    kiln: Kiln;
    load?: LoadBody | null | undefined;
    startsAt?: string | null | undefined;
    profile: Profile;
    controllerId: number;
  }
  const { name }: Props = $props();
</script>

<p>{name}</p>
