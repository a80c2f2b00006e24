import type { components } from '$lib/api/schema';

type Schemas = components['schemas'];
export type SaidFiring = Schemas['SaidFiringContract'];
/** An answer, with what it sets by pointers into the firing. */
export type Choice = Omit<Schemas['SaidChoiceContract'], 'set'> & { set: Record<string, unknown> };
export type Ask = Omit<Schemas['AskedWordsContract'], 'choices'> & { choices: Choice[] };
export type Said = Omit<Schemas['SayResponse'], 'asked'> & { asked: Ask[] };

/** A firing of which nothing is known but its name and kind. */
export const nothingSaid = (name: string, kind: SaidFiring['kind']): SaidFiring => ({
  name,
  kind,
  kilnId: null,
  goalCone: null,
  startsAt: null,
  readyBy: null,
  lots: [],
  wishes: {
    drying: null,
    approach: null,
    cooling: null,
    hold: null,
    goal: null,
    dropBy: null,
    holdMinutes: null,
    air: null,
    packed: null,
    witnessPack: null,
    pace: null,
    cheap: null
  }
});

/** A stretch of what was typed, with what became of it. */
export interface Piece {
  text: string;
  what: 'plain' | 'read' | 'asked' | 'unread';
  /** Which field it fills, and what was understood. */
  fills?: string;
  means?: string;
  ask?: Ask;
}

/** The sentence in pieces, each marked; a question about something missing is a piece without words. */
export function pieces(text: string, said: Said): Piece[] {
  const marks = [
    ...said.read.map((r) => ({ from: r.from, to: r.to, what: 'read' as const, fills: r.as, means: r.text })),
    ...said.asked.map((ask) => ({ from: ask.from, to: ask.to, what: 'asked' as const, ask })),
    ...said.unread.map((u) => ({ from: u.from, to: u.to, what: 'unread' as const }))
  ].sort((a, b) => a.from - b.from || a.to - b.to);
  const all: Piece[] = [];
  let at = 0;
  for (const { from, to, ...mark } of marks) {
    if (from > at) all.push({ text: text.slice(at, from), what: 'plain' });
    all.push({ text: text.slice(from, to), ...mark });
    at = Math.max(at, to);
  }
  if (at < text.length) all.push({ text: text.slice(at), what: 'plain' });
  return all;
}

/** A question stays the same while its words do, so that its answer outlives what is typed elsewhere. */
export const keyOf = (ask: Ask, text: string, asks: readonly Ask[]): string =>
  ask.to > ask.from
    ? `${ask.about}:${text.slice(ask.from, ask.to)}`
    : `${ask.about}#${asks.filter((a) => a.about === ask.about && a.to === a.from).indexOf(ask)}`;

/** The firing with what a choice sets, by its pointers. */
export function put(firing: SaidFiring, choice: Choice): SaidFiring {
  const copy = structuredClone(firing) as Record<string, unknown>;
  for (const [pointer, value] of Object.entries(choice.set)) {
    const path = pointer.split('/').slice(1);
    const field = path.pop() ?? '';
    let place = copy;
    for (const step of path) {
      place[step] ??= {};
      place = place[step] as Record<string, unknown>;
    }
    place[field] = value;
  }
  return copy as SaidFiring;
}
