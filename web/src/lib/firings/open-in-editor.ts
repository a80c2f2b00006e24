import { api, saveKey, savedOver, sayProblem, type Plan, type Problem, type Schedule } from '$lib/api/client';
import { fromSchedule, keepKiln, sameWords } from '$lib/editor';
import type { FiringDraft } from './firing-draft.svelte';

/** What came of taking a plan to the editor: its schedule, or one that was edited since and has to be asked about first. */
export type Taken = { schedule: Schedule } | { edited: Schedule } | { trouble: string };

const bodyOf = (draft: FiringDraft, plan: Plan) => ({ ...plan.schedule, name: draft.body.name ?? 'Planned' });

/** The plan as a schedule of its own. The firing remembers which, and in which version. */
async function takes(draft: FiringDraft, schedule: Schedule): Promise<Taken> {
  keepKiln(schedule.id, { kilnId: draft.body.kilnId ?? null, fill: 1 });
  draft.edit({ scheduleId: schedule.id, scheduleVersion: schedule.version });
  await draft.save();
  return { schedule };
}

/** Takes the plan to the editor. A schedule that was edited since the firing was planned is left as it is, and told. */
export async function takeToEditor(draft: FiringDraft, plan: Plan): Promise<Taken> {
  await draft.save();
  const body = bodyOf(draft, plan);
  const { scheduleId, scheduleVersion } = draft.body;
  if (scheduleId) {
    const { data: now } = await api.GET('/api/schedules/{id}', { params: { path: { id: scheduleId } } });
    if (now && sameWords(fromSchedule(now), fromSchedule(body))) return takes(draft, now);
    if (now) return now.version === scheduleVersion ? replaceInEditor(draft, plan, now) : { edited: now };
  }
  const { data, error } = await api.POST('/api/schedules', { headers: saveKey(crypto.randomUUID()), body });
  return data ? takes(draft, data) : { trouble: sayProblem(error) };
}

/** Puts the plan over a version of the schedule that was looked at; a newer one is told instead. */
export async function replaceInEditor(draft: FiringDraft, plan: Plan, over: Schedule): Promise<Taken> {
  const { data, error, response } = await api.PUT('/api/schedules/{id}', {
    params: { path: { id: over.id } },
    headers: { ...savedOver(over.version), ...saveKey(crypto.randomUUID()) },
    body: bodyOf(draft, plan)
  });
  if (data) return takes(draft, data);
  const current = (error as Problem).current as Schedule | undefined;
  return response.status === 412 && current ? { edited: current } : { trouble: sayProblem(error) };
}
