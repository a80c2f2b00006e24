<script lang="ts">
  import { display } from '$lib/display.svelte';
  import MomentField from '$lib/fields/MomentField.svelte';
  import type { LogAsk, LogReading } from './types';

  /** What a log does not say for sure: its times, its degrees, its day. What was guessed from the numbers alone says so. */
  interface Props {
    reading: LogReading;
    asks: readonly LogAsk[];
    zones: readonly string[];
    errors: Record<string, string>;
  }
  let { reading = $bindable(), asks, zones, errors }: Props = $props();

  const timeKinds = [
    ['dates', 'days and times'],
    ['clock', 'times of day'],
    ['elapsed', 'hours and minutes since the first reading'],
    ['hours', 'hours since the first reading'],
    ['minutes', 'minutes since the first reading'],
    ['seconds', 'seconds since the first reading'],
    ['epoch', 'seconds since 1970'],
    ['days', 'days as spreadsheets count them']
  ] as const;
  const counts = $derived(['elapsed', 'hours', 'minutes', 'seconds'].includes(reading.timeIn ?? ''));
  const asked = (field: string) => asks.find((a) => a.field === field)?.text;
</script>

<div class="mt-3 grid gap-2 sm:grid-cols-2">
  <label class="ask"
    >Times are <select class="select select-sm w-auto" bind:value={reading.timeIn}
      >{#each timeKinds as [kind, name] (kind)}<option value={kind}>{name}</option>{/each}</select
    ></label
  >
  {#if reading.timeIn === 'dates'}
    <label class="ask"
      >Dates begin with the <select class="select select-sm w-auto" bind:value={reading.dates}
        ><option value="day-first">day</option><option value="month-first">month</option></select
      ></label
    >
  {/if}
  <div class="ask">
    <label class="flex items-center gap-2"
      >Degrees <select class="select select-sm w-auto" bind:value={reading.unit}
        ><option value="C">°C</option><option value="F">°F</option></select
      ></label
    >
    {#if asked('unit')}<span class="border-warning border-l-4 pl-2 text-[13.5px]" data-testid="log-ask"
        >{asked('unit')}</span
      >{/if}
  </div>
  <label class="ask"
    >Tenths after a <select class="select select-sm w-auto" bind:value={reading.decimals}
      ><option value="point">point: 1060.5</option><option value="comma">comma: 1060,5</option></select
    ></label
  >
  {#if reading.power !== null}
    <label class="ask"
      >Power <select class="select select-sm w-auto" bind:value={reading.powerIn}
        ><option value="percent">0 to 100 %</option><option value="share">0 to 1</option></select
      ></label
    >
  {/if}
  {#if ['dates', 'clock', 'days'].includes(reading.timeIn ?? '')}
    <label class="ask"
      >Clock of <input
        class="input input-sm w-44"
        list="log-zones"
        placeholder={display.zone}
        bind:value={reading.zone}
      /></label
    >
    <datalist id="log-zones"
      >{#each zones as zone (zone)}<option value={zone}></option>{/each}</datalist
    >
  {/if}
  {#if reading.timeIn === 'clock'}
    <label class="ask"
      >First reading on <input
        type="date"
        class="input input-sm w-40"
        aria-label="Day of the first reading"
        aria-invalid={errors['firstDay'] ? 'true' : undefined}
        bind:value={() => reading.firstDay ?? '', (day) => (reading.firstDay = day || null)}
      /></label
    >
  {:else if counts}
    <div class="ask">
      First reading <MomentField
        id="log-first"
        label="First reading"
        moment={reading.firstAt ?? null}
        error={errors['firstAt']}
        onvalue={(moment) => (reading.firstAt = moment)}
      />
    </div>
  {/if}
</div>

<style>
  .ask {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 8px;
    min-height: 40px;
  }
</style>
