<script lang="ts">
  import { goto } from '$app/navigation';
  import { api, sayProblem } from '$lib/api/client';
  import { duration, number } from '$lib/format';
  import { toasts } from '$lib/ui/toasts.svelte';
  import type { Live, Run } from './types';

  /** After a cut: what going on as before comes to, and what to do instead. */
  interface Props {
    resume: NonNullable<NonNullable<Live['forecast']>['resume']>;
    name: string;
    run: Run;
  }
  const { resume, name, run }: Props = $props();
  const signed = (value: number) => `${value < 0 ? '−' : '+'}${number(Math.abs(value), 1)} °C of cone`;
  const later = (minutes: number) =>
    minutes < 90 ? `${Math.round(minutes)} min later` : `${duration(minutes)} later`;
  const same = $derived(resume.line !== null && Math.abs(resume.same - resume.instead) < 0.5);

  /** The program from here, as a schedule to be keyed in. */
  async function make() {
    const parsed = await api.POST('/api/notation/parse', { body: { text: resume.line ?? '', unit: 'C' } });
    if (!parsed.data) return toasts.show(sayProblem(parsed.error), { tone: 'error' });
    const { data, error } = await api.POST('/api/schedules', {
      body: {
        name: `${name}, from here`,
        kind: run.kind,
        unit: 'C',
        goalCone: run.goalCone,
        segments: parsed.data.segments
      }
    });
    if (!data) return toasts.show(sayProblem(error), { tone: 'error' });
    void goto(`/schedules/${data.id}/set`);
  }
</script>

<section class="card-paper p-3.5" aria-labelledby="after-cut" data-testid="resume">
  <h2 id="after-cut" class="text-[17px]">After the cut</h2>
  <p class="mt-1">
    The heat work so far stays, and the way up counts again. The same program from step {resume.step + 1} would
    end {later(resume.sameMinutes)}, at {signed(resume.same)} against the plan.
  </p>
  {#if resume.leaveOff}
    <p class="mt-2 font-semibold">Leave it off: the ware has had what it needs.</p>
  {:else if same}
    <p class="mt-2 font-semibold">Go on as it was.</p>
  {:else}
    <p class="mt-2 font-semibold">Instead: <span class="font-mono">{resume.line}</span></p>
    <p class="text-soft">
      It comes to {signed(resume.instead)}, {later(resume.insteadMinutes)} than planned.
    </p>
  {/if}
  {#if resume.line}<button class="btn btn-primary mt-2" onclick={() => void make()}
      >Make this program and key it in</button
    >{/if}
  <p class="text-soft mt-2 text-[13.5px]">
    Before power returns to a kiln by itself, switch it off at the isolator.
  </p>
</section>
