import createClient from 'openapi-fetch';
import { me, type Me } from './me.svelte';
import { person } from './person';
import type { components, paths } from './schema';

type Schemas = components['schemas'];
export type Schedule = Schemas['VersionedScheduleContract'];
export type RunSummary = Schemas['RunSummary'];
export type ScheduleBody = Schemas['ScheduleContract'];
export type ScheduleFile = Schemas['ScheduleFile'];
export type ScheduleSummary = Schemas['ScheduleSummary'];
export type Segment = Schemas['SegmentContract'];
export type Preview = Schemas['PreviewResponse'];
export type CurvePoint = Schemas['CurvePointContract'];
export type Moment = Schemas['MomentContract'];
export type ConeReading = Schemas['ConeReadingContract'];
export type ConeTableRow = Schemas['ConeTableRow'];
export type LadderRung = Schemas['LadderRung'];
export type VersionSummary = Schemas['VersionSummary'];
export type Finding = Schemas['FindingContract'];
export type Kiln = Schemas['VersionedKilnContract'];
export type KilnBody = Schemas['KilnContract'];
export type KilnNumber = Schemas['KilnNumberContract'];
export type KilnPortrait = Schemas['KilnPortraitContract'];
export type FitResponse = Schemas['FitResponse'];
export type Studio = Schemas['VersionedStudioContract'];
export type StudioBody = Schemas['StudioContract'];
export type WeeklySpan = Schemas['WeeklySpanContract'];
export type Clay = Schemas['VersionedClayContract'];
export type Glaze = Schemas['VersionedGlazeContract'];
export type ClayBody = Schemas['ClayContract'];
export type GlazeBody = Schemas['GlazeContract'];
export type FiringBody = Schemas['FiringContract'];
export type Firing = Schemas['VersionedFiringContract'];
export type Lot = Schemas['LotContract'];
export type Acceptance = Schemas['AcceptanceContract'];
export type WhatIf = Schemas['WhatIfResponse'];
export type LoadBody = Schemas['LoadContract'];
export type PlanStep = Schemas['PlanStepContract'];
export type LoadSummary = Schemas['LoadSummary'];
export type Packing = Schemas['PackingResponse'];
export type PackingFirings = Schemas['PackingFirings'];
export type PackingChoice = Schemas['PackingChoiceContract'];
export type PlacedShelf = Schemas['PlacedShelfContract'];
export type KeptPiece = Schemas['KeptPieceContract'];
export type PackingWish = Schemas['FiringPackingContract'];
export type PieceBody = Schemas['PieceContract'];
export type Props = Schemas['PropsContract'];
export type Chamber = Schemas['ChamberContract'];
export type Ways = Schemas['PlanningPreferencesContract'];
export type Basis = Schemas['BasisContract'];
export type Plan = Schemas['PlanResponse'];
export type PlanRequest = Schemas['PlanRequest'];
export type School = Schemas['PlanningOptionContract'];
export type Starts = Schemas['StartsResponse'];
export type Controller = Schemas['ControllerListed'];
export type Profile = Schemas['ProfileData'];
export type Fit = Schemas['FitResultContract'];
export type Keystroke = Schemas['KeystrokeContract'];
export type Bank = Schemas['BankContract'];
export type BankSlot = Schemas['BankSlotContract'];
export type Entered = Schemas['EnteredContract'];
export type ReadBack = Schemas['ReadBackResponse'];
export type Pressed = Schemas['PressResponse'];
export type PracticeTask = Schemas['PracticeTaskContract'];
export type PracticeResult = Schemas['PracticeCheckResponse'];
export type PracticeTry = Schemas['PracticeTryContract'];
export type ControllerMemory = Schemas['MemoryContract'];
export type Unit = Preview['unit'];

/** One way to the server; answers are typed from its own description. */
export const api = createClient<paths>({ baseUrl: '/' });

/** Changes on their way, so that they can be sent once more when who it is was answered. */
const underWay = new Map<string, Request>();

api.use({
  onRequest: ({ request, id }) => {
    if (me.asksByItself) request.headers.set('Asked-By-Itself', '1');
    if (request.method === 'GET') return request;
    if (person.name) request.headers.set('Studio-Person', encodeURIComponent(person.name));
    underWay.set(id, request.clone());
    return request;
  },
  onResponse: async ({ request, response, id }) => {
    const again = underWay.get(id);
    underWay.delete(id);
    // What signs in asks for itself.
    if ((response.status !== 401 && response.status !== 403) || request.url.includes('/api/sessions')) return;
    if (response.status === 401) me.is(null);
    const problem = (await response
      .clone()
      .json()
      .catch(() => ({}))) as { stepUp?: boolean };
    // On a device of the studio an ended session leaves a screen: who is there may have changed since it was last asked.
    if (response.status === 403 && !problem.stepUp && me.now?.device && !me.isDisplay) {
      const asked = await fetch('/api/sessions/me').catch(() => null);
      if (asked?.ok) me.is((await asked.json()) as Me);
    }
    const asks = problem.stepUp ? 'password' : response.status === 401 || me.isDisplay ? 'name' : null;
    // What is only looked at is asked for anew once somebody is in; a page that nobody touches asks nobody.
    if (!asks || !again || me.asksByItself) return;
    return (await me.ask(asks)) ? fetch(again) : undefined;
  }
});

/** The headers of a save over a version, or of the making of something new. */
export const savedOver = (version: number) => ({ 'If-Match': `"${version}"` });
export const saveKey = (key: string) => ({ 'Idempotency-Key': key });

/** A problem as the server tells it (RFC 9457), with our fields. */
export interface Problem {
  status?: number | null;
  title?: string | null;
  detail?: string | null;
  errors?: Record<string, string[]>;
  position?: number;
  length?: number;
  current?: unknown;
}

/** The first message of each field, under the field's path without a leading part. */
export function fieldErrors(problem: Problem | undefined, prefix = ''): Record<string, string> {
  const fields: Record<string, string> = {};
  for (const [path, messages] of Object.entries(problem?.errors ?? {})) {
    const short = prefix && path.startsWith(prefix) ? path.slice(prefix.length) : path;
    if (messages[0]) fields[short] = messages[0];
  }
  return fields;
}

/** What to tell somebody when a call did not work out; a failed fetch says that nothing was lost. */
export function sayProblem(error: unknown): string {
  const problem = error as Problem | undefined;
  return problem?.detail ?? problem?.title ?? 'The program does not answer. What you wrote is still here.';
}
