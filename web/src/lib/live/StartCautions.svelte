<script lang="ts">
  /** What can hurt at the switch, in a line each; a gas kiln has more of it. */
  const { isFuel }: { isFuel: boolean } = $props();
</script>

<ul class="cautions">
  <li>
    <b>Fire:</b> nothing flammable within a metre; a firing kiln is not left beyond your studio’s rule.
  </li>
  <li><b>Fumes:</b> ventilation on; clay and glaze give off fumes and carbon monoxide.</li>
  {#if isFuel}
    <li>
      <b>Gas:</b> leak test, damper open and five minutes of air before the first flame; never heat a cylinder.
    </li>
    <li><b>Carbon monoxide:</b> alarm on, hood or open air, nobody asleep nearby.</li>
  {:else}<li><b>Over-firing:</b> the shut-off device is a backup, not a supervisor.</li>{/if}
</ul>

<style>
  .cautions {
    font-size: 14.5px;
    display: grid;
    gap: 3px;
  }
</style>
