<script lang="ts">
  import { weight } from '$lib/scales';
  import Star from '@lucide/svelte/icons/star';
  import Sparkline from '$lib/chart/Sparkline.svelte';
  import { display } from '$lib/display.svelte';
  import { degrees, duration, kindName, number, when } from '$lib/format';
  import { faultName } from '$lib/reading';
  import { came, type LogbookFiring } from './queries';
  import { toUnit } from '$lib/units';

  /** A finished firing in the logbook: its curve, its cones, what came out; ticked to be compared. */
  interface Props {
    firing: LogbookFiring;
    kiln: string;
    glazes: readonly string[];
    picked: boolean;
    onpick: (picked: boolean) => void;
  }
  const { firing, kiln, glazes, picked, onpick }: Props = $props();

  const unit = $derived(display.unit);
  const curve = $derived(
    firing.curve.map((p) => ({ minute: p.minute, temperature: toUnit(p.celsius, unit) }))
  );
  const figure = (name: string) => firing.figures[name];
  const facts = $derived([
    figure('top') === undefined ? '' : degrees(toUnit(figure('top') ?? 0, unit), unit),
    figure('topHours') === undefined ? '' : `top in ${duration((figure('topHours') ?? 0) * 60)}`,
    figure('gas') !== undefined
      ? `${weight(figure('gas') ?? 0)} of gas`
      : figure('kwh') === undefined
        ? ''
        : `${number(figure('kwh') ?? 0, 0)} kWh`
  ]);
</script>

<article class={['card-paper card', picked && 'picked']} data-testid="logged">
  <input
    type="checkbox"
    class="checkbox checkbox-sm"
    aria-label="Compare “{firing.name}”"
    checked={picked}
    onchange={(e) => onpick(e.currentTarget.checked)}
  />
  <a href="/firings/{firing.firingId}?stage=read">
    <Sparkline {curve} {unit} width={118} height={52} />
    <span class="min-w-0">
      <b class="font-serif text-[16.5px]">{firing.name}</b>
      {#if firing.reference}<Star
          size={14}
          class="text-primary inline"
          fill="currentColor"
          aria-label="Reference"
        />{/if}
      <span class="text-soft block text-[13px]"
        >{when(new Date(firing.startsAt))} · {kindName(firing.kind)} in {kiln}{firing.by
          ? `, ${firing.by}`
          : ''}{glazes.length > 0 ? ` · ${glazes.join(', ')}` : ''}</span
      >
      <span class="text-soft block text-[13px]">{facts.filter(Boolean).join(' · ')}</span>
    </span>
    <span class="out">
      {#if firing.reached}<span
          >cone <b>{firing.reached}</b>
          {#if firing.goal && firing.goal !== firing.reached}<span class="text-soft">for {firing.goal}</span
            >{/if}</span
        >{/if}
      <span class={firing.good ? 'text-success' : 'text-soft'}>{came(firing)}</span>
      {#each firing.faults as fault (fault)}<span class="text-error">{faultName(fault)}</span>{/each}
    </span>
  </a>
</article>

<style>
  .card {
    display: grid;
    grid-template-columns: auto minmax(0, 1fr);
    align-items: center;
    gap: 12px;
    padding: 8px 14px;
  }
  .picked {
    border-color: var(--color-primary);
  }
  a {
    display: grid;
    grid-template-columns: 118px minmax(0, 1fr) minmax(0, 190px);
    gap: 14px;
    align-items: center;
  }
  a:hover b {
    text-decoration: underline;
    text-underline-offset: 3px;
  }
  .out {
    display: grid;
    font-size: 13.5px;
    justify-items: end;
    text-align: right;
  }
  @media (max-width: 767px) {
    a {
      grid-template-columns: minmax(0, 1fr);
      gap: 4px;
    }
    .out {
      justify-items: start;
      text-align: left;
    }
  }
</style>
