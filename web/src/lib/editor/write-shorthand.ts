import { api, sayProblem, type Problem, type Unit } from '$lib/api/client';
import { fromSchedule, fromSegment, toBody, written } from './draft';
import type { ScheduleDraft } from './schedule-draft.svelte';

/** Why a line could not be read; it may be that it is in °F. */
export type Refused = Problem & { isFahrenheit?: boolean };

const readsAs = async (text: string, unit: Unit) =>
  (await api.POST('/api/notation/parse', { body: { text, unit } })).data !== undefined;

/** Reads a line of shorthand. Steps go in before a closing "off", unless the line brings its own; or replace everything. */
export async function writeShorthand(
  draft: ScheduleDraft,
  text: string,
  replace = false,
  asFahrenheit = false
): Promise<Refused | null> {
  // What is there already is turned with it; where all is replaced the scale comes with the text.
  if (asFahrenheit && !replace) {
    const refused = await switchUnit(draft);
    if (refused) return { detail: refused };
  }
  const unit = asFahrenheit ? 'F' : draft.body.unit;
  const steps = written(draft.body).map((w) => w.step);
  const last = steps.at(-1);
  const closing = !replace && last?.pace === 'natural' && last.target === null ? steps.pop() : undefined;
  const { data, error } = await api.POST('/api/notation/parse', {
    body: { text, unit, startTemperature: replace ? null : (steps.at(-1)?.target ?? null) }
  });
  if (!data) {
    const problem: Refused = error as Problem;
    problem.isFahrenheit = !asFahrenheit && draft.body.unit === 'C' && (await readsAs(text, 'F'));
    return problem;
  }
  const read = data.segments.map(fromSegment);
  const endsItself = read.at(-1)?.pace === 'natural' && read.at(-1)?.target === null;
  const tail = closing && !endsItself ? [closing] : [];
  draft.edit(replace ? { unit, steps: read } : { steps: [...steps, ...read, ...tail] });
  return null;
}

/** The same schedule on the other scale; exact, and one step to undo. Tells why not, when it cannot be. */
export async function switchUnit(draft: ScheduleDraft): Promise<string | null> {
  const unit: Unit = draft.body.unit === 'C' ? 'F' : 'C';
  if (written(draft.body).length === 0) {
    draft.edit({ unit });
    return null;
  }
  const body = toBody(draft.body);
  const { data, error } = await api.POST('/api/schedules/convert', {
    body: { schedule: { ...body, name: body.name || 'Untitled' }, unit }
  });
  if (!data) return `First fix what is marked: ${sayProblem(error)}`;
  draft.edit({ ...fromSchedule(data), name: draft.body.name });
  return null;
}
