import type { Unit } from '$lib/api/client';
import type { Opened } from '$lib/draft/remote';
import type { Draft } from './draft';
import { FiringPlace } from './firing-place.svelte';
import { PreviewLoop } from './preview-loop.svelte';
import { ScheduleDraft } from './schedule-draft.svelte';
import { StartTime } from './start-time.svelte';
import { TriedFix } from './tried-fix.svelte';

/** The parts of the editor, each with one job; whatever changes, the preview is asked again. */
export function editorParts(unit: Unit, opened: Opened<Draft>) {
  const ask = () => void preview.ask();
  const draft = new ScheduleDraft(unit, opened);
  const place = new FiringPlace(draft.id, () => {
    start.take();
    ask();
  });
  const start = new StartTime(place, ask);
  const preview = new PreviewLoop(draft, place, start);
  const tried = new TriedFix(draft, place, preview);
  draft.onchanged = ask;
  ask();
  return { draft, place, start, preview, tried };
}
