<script lang="ts">
  import type { Unit } from '$lib/api/client';
  import { number } from '$lib/format';
  import { perKelvin } from '$lib/units';

  /** How the numbers of cones come about, and how far they are to be believed. */
  const { unit }: { unit: Unit } = $props();
  const perDegree = $derived(perKelvin(unit));
</script>

<section id="why" class="card-paper p-4 text-sm" aria-labelledby="why-title">
  <h2 id="why-title" class="mb-1 text-lg">Why these numbers</h2>
  <p class="text-soft mb-2">
    A cone softens faster the hotter it is. Its progress D grows at one rate, dD/dt = A · exp(−θ/T), with T in
    kelvin; D is 0 at the start and 1 when the tip is level with the base. θ and A come from the published end
    points at {[15, 60].map((r) => number(r * perDegree)).join(', ')} and {number(150 * perDegree)} °{unit}/h.
    The bend follows tan(φ/2) = tan 4° · exp(2.66 · D). The work is added up along the whole curve, cooling
    too.
  </p>
  <p class="text-soft">
    A cone's own tolerance is about ± {number(5 * perDegree, 0)} °{unit}, and kilns are uneven: believe the
    pack on the shelf before any of this. The fitted end points differ from the published ones by at most {number(
      2.5 * perDegree
    )} °{unit} at {number(60 * perDegree)} °{unit}/h and
    {number(4 * perDegree, 0)} °{unit} at the others; the table below shows each. Sources and derivation: docs/model.md.
  </p>
</section>
