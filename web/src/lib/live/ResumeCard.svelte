<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { goto } from '$app/navigation';
  import { api, sayProblem } from '$lib/api/client';
  import { controllerList } from '$lib/controllers/queries';
  import { keyWords, labelOf, lineTitle } from '$lib/controllers/words';
  import { display } from '$lib/display.svelte';
  import { degrees, duration } from '$lib/format';
  import { apartBy } from '$lib/scales';
  import { kilnList } from '$lib/kilns/queries';
  import { toasts } from '$lib/ui/toasts.svelte';
  import type { Live, Run } from './types';
  import { toUnit } from '$lib/units';

  /** After a cut: what going on as before comes to, and what to do instead. */
  interface Props {
    resume: NonNullable<NonNullable<Live['forecast']>['resume']>;
    name: string;
    run: Run;
    /** What is shown now. */
    celsius: number | null;
    /** Somebody has keyed it in: the firing goes by it from here. */
    onkeyed: () => void;
  }
  const { resume, name, run, celsius, onkeyed }: Props = $props();
  const signed = (value: number) => `${value < 0 ? '−' : '+'}${apartBy(Math.abs(value), 1)} of cone`;
  const minutes = (m: number) => (m < 90 ? `${m} min` : duration(m));
  const later = (minutes: number) =>
    minutes < 90 ? `${Math.round(minutes)} min later` : `${duration(minutes)} later`;
  const same = $derived(resume.line !== null && Math.abs(resume.same - resume.instead) < 0.5);

  const unit = $derived(display.unit);
  /** What is different from what the controller has, in a few words. */
  const instead = $derived.by(() => {
    const { topC, plannedTopC, holdMinutes, plannedHoldMinutes } = resume;
    if (topC == null || plannedTopC == null) return '';
    const said = (celsius: number) => degrees(toUnit(celsius, unit), unit);
    const [to, was] = [said(topC), said(plannedTopC)];
    const [held, before] = [Math.round(holdMinutes ?? 0), Math.round(plannedHoldMinutes ?? 0)];
    const top = to === was ? '' : `Go to ${to}, not ${was}`;
    const hold =
      held === before ? '' : held === 0 ? 'do not hold it' : `hold ${minutes(held)}, not ${minutes(before)}`;
    return [top, top ? hold : hold.charAt(0).toUpperCase() + hold.slice(1)].filter(Boolean).join(', and ');
  });

  const kilns = createQuery(kilnList);
  const controllers = createQuery(controllerList);
  const controllerId = $derived(kilns.data?.find((k) => k.id === run.kilnId)?.kiln.controllerId ?? null);
  const profile = $derived(controllers.data?.find((c) => c.id === controllerId)?.profile ?? null);
  /** The program from here, and how this controller is told it. */
  const keys = createQuery(() => ({
    queryKey: ['resume', run.firingId, controllerId, resume.line],
    enabled: resume.line !== null && !same,
    placeholderData: <T,>(before: T) => before,
    queryFn: async () => {
      const parsed = await api.POST('/api/notation/parse', { body: { text: resume.line ?? '', unit: 'C' } });
      if (!parsed.data) throw parsed.error;
      const schedule = {
        name: `${name}, from here`,
        kind: run.kind,
        unit: 'C' as const,
        goalCone: run.goalCone,
        segments: parsed.data.segments
      };
      const fit =
        controllerId === null
          ? null
          : await api.POST('/api/controllers/fit', {
              body: {
                schedule,
                profileId: controllerId,
                kilnId: run.kilnId,
                startTemperature: celsius ?? null
              }
            });
      return { schedule, lines: fit?.data?.keystrokes ?? [], fits: fit?.data?.fits ?? null };
    }
  }));
  let shown = $state(false);

  /** As a schedule of its own, to be keyed in and read back. */
  async function make() {
    if (!keys.data) return;
    const { data, error } = await api.POST('/api/schedules', { body: keys.data.schedule });
    if (!data) return toasts.show(sayProblem(error), { tone: 'error' });
    void goto(`/schedules/${data.id}/set`);
  }
</script>

<section aria-labelledby="after-cut" data-testid="resume">
  <h2 id="after-cut" class="text-[17px]">After the cut</h2>
  {#if resume.leaveOff}
    <p class="do">Leave it off: the ware has had what it needs.</p>
  {:else if same}
    <p class="do">Go on as it was.</p>
  {:else}
    <p class="do" data-testid="instead">{instead || 'Key this in instead'}.</p>
    <p class="text-soft">
      <span class="font-mono">{resume.line}</span><br />It comes to {signed(resume.instead)}, {later(
        resume.insteadMinutes
      )} than planned.
    </p>
    {#if profile && keys.data && keys.data.lines.length > 0}
      <button
        class="btn btn-paper mt-2 min-h-12"
        aria-expanded={shown}
        onclick={() => (shown = !shown)}
        data-testid="resume-keys">{shown ? 'Hide the keys' : `The keys for ${profile.name}`}</button
      >
      {#if shown}
        <ol class="keys">
          {#each keys.data.lines as line, i (i)}
            <li>
              <span
                >{line.question ? labelOf(profile, line.question) : lineTitle(line)}
                {#if line.question}<b>{line.display.slice(labelOf(profile, line.question).length + 1)}</b
                  >{/if}</span
              ><span
                >{#each line.keys as key, k (k)}<kbd>{keyWords(key)}</kbd>{/each}</span
              >
            </li>
          {/each}
        </ol>
      {/if}
    {/if}
    <button class="btn btn-paper mt-2 min-h-12" onclick={onkeyed} data-testid="keyed-in"
      >It is keyed in: follow it</button
    >
    <button class="btn btn-primary mt-2 min-h-12" disabled={!keys.data} onclick={() => void make()}
      >Key it in and read it back</button
    >
  {/if}
  <p class="text-soft mt-2 text-[13.5px]">
    The heat work so far stays, and the way up counts again. The same program from step {resume.step + 1} would
    end {later(resume.sameMinutes)}, at {signed(resume.same)} against the plan.
  </p>
  <p class="text-soft mt-1 text-[13.5px]">
    Before power returns to a kiln by itself, switch it off at the isolator.
  </p>
</section>

<style>
  .do {
    margin-top: 8px;
    font-size: 19px;
    font-weight: 650;
  }
  .keys {
    margin-top: 8px;
    font-size: 15px;
  }
  .keys li {
    display: flex;
    flex-wrap: wrap;
    justify-content: space-between;
    gap: 4px 12px;
    padding: 5px 0;
    border-top: 1px solid var(--color-base-300);
  }
  .keys b {
    font-family: var(--font-mono);
    font-size: 18px;
  }
  kbd {
    font-family: var(--font-sans);
    font-size: 13.5px;
    margin-left: 3px;
    padding: 1px 7px;
    border-radius: 6px;
    border: 1px solid color-mix(in oklab, var(--color-base-content) 28%, transparent);
    white-space: nowrap;
  }
</style>
