<!-- A firing drawn once, with the terms where they belong. -->
<svg viewBox="0 0 640 270" class="card-paper w-full min-w-[30rem]" role="img" aria-labelledby="curve-words">
  <title id="curve-words">
    A firing over time: a climb, a drying hold below boiling, a climb to the top, a hold there, a controlled
    cooling, then off until it is safe to open.
  </title>
  <line class="axis" x1="46" y1="230" x2="625" y2="230" />
  <line class="axis" x1="46" y1="18" x2="46" y2="230" />
  <polyline class="curve" points="46,222 84,202 160,202 360,44 402,44 428,82 500,112" />
  <path class="curve off" d="M500 112 C530 180 570 208 622 218" />
  <line class="rule" x1="46" y1="198" x2="240" y2="198" />
  <line class="rule" x1="540" y1="212" x2="625" y2="212" />
  <g class="word">
    <text x="92" y="190">drying hold</text>
    <text x="196" y="195" class="soft">boiling</text>
    <text x="214" y="122">climb</text>
    <text x="366" y="34">hold</text>
    <text x="300" y="40">top</text>
    <text x="436" y="78">cooling</text>
    <text x="560" y="160">off</text>
    <text x="462" y="216" class="soft">safe to open</text>
    <text x="598" y="246" class="soft">time</text>
    <text x="52" y="26" class="soft">temperature</text>
  </g>
  <g class="step">
    {#each [[65, 1], [260, 2], [465, 3], [560, 4]] as [x, step] (step)}
      <text {x} y="264">step {step}</text>
    {/each}
  </g>
</svg>

<style>
  .axis {
    stroke: var(--color-base-300);
    stroke-width: 1.5;
  }
  .rule {
    stroke: var(--color-soft);
    stroke-dasharray: 3 4;
  }
  .curve {
    fill: none;
    stroke: var(--color-primary);
    stroke-width: 3.5;
    stroke-linejoin: round;
    stroke-linecap: round;
  }
  .off {
    stroke-dasharray: 7 7;
  }
  .word text {
    font-size: 14px;
    font-weight: 600;
    fill: var(--color-base-content);
  }
  .word .soft,
  .step text {
    font-size: 12px;
    font-weight: 400;
    fill: var(--color-soft);
  }
</style>
