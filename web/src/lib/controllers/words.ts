import type { Keystroke, Profile } from '$lib/api/client';

/** How a controller and its keys are spoken of. */

/** The question behind "rate.2": its own and the step's number. */
export function questionOf(profile: Profile, id: string) {
  const [name, step] = id.split('.');
  const question = profile.ask?.find((q) => q?.id === name);
  return question ? { ...question, step: step ? Number(step) : null } : null;
}

/** What the display calls it: "pace 2". */
export function labelOf(profile: Profile, id: string): string {
  const question = questionOf(profile, id);
  return question?.label?.replace('#', String(question.step ?? '')) ?? id;
}

const hands: Record<string, string> = {
  lid: 'Close the lid',
  charge: 'Put in what is to be fired',
  timer: 'Set the timer'
};
export const handWords = (hand: string) => hands[hand] ?? hand;

/** A key as it stands on the card. */
export function keyWords(key: string): string {
  if (key === 'dot') return '.';
  if (key.startsWith('hand ')) return handWords(key.slice(5));
  if (key.startsWith('until ')) return `▲▼ until ${key.slice(6)}`;
  if (key.startsWith('turn ')) return `turn to ${key.slice(5)}`;
  return key;
}

/** What a line of the card is about, for people: the question with its value, or what is done before and after. */
export function lineTitle(line: Keystroke): string {
  if (line.question) return line.display;
  return line.keys[0]?.startsWith('hand ') ? 'Before it goes' : 'Begin';
}

/** How it takes a schedule, in a line. */
export function controllerLine(profile: Profile): string {
  const most = profile.most ?? 1;
  const cools =
    profile.cooling === 'steps' ? '' : profile.cooling === 'one' ? ', one cooling' : ', no cooling';
  switch (profile.give) {
    case 'rate':
      return `told ${most} climbs by degrees ${profile.per === 'minute' ? 'a minute' : 'an hour'}${profile.hold === 'top' ? ', holds at the top only' : ''}${cools}`;
    case 'time':
      return `told ${most} steps by how long each takes`;
    case 'cone':
      return 'told a cone, the rest is built in';
    default:
      return 'switches turned by hand';
  }
}

export const staleWords = {
  edited: 'the schedule was changed since',
  old: 'nobody has read it back for over 30 days',
  'other-seen': 'something else was read there since'
} as const;
export const staleList = (stale: readonly string[]) =>
  stale.map((s) => staleWords[s as keyof typeof staleWords] ?? s).join('; ');

/** "1:30". */
export const clockTime = (minutes: number) =>
  `${Math.floor(minutes / 60)}:${String(Math.round(minutes % 60)).padStart(2, '0')}`;

/** "1:30" or "90" or "1 h 30" as minutes; nothing for what is none. */
export function minutesOf(text: string): number | null {
  const plain = text.trim();
  if (plain === '') return 0;
  const clock = /^(\d{1,3})\s*(?::|h)\s*(\d{1,2})?\s*(?:min)?$/.exec(plain);
  if (clock) return Number(clock[1]) * 60 + Number(clock[2] ?? 0);
  const minutes = /^(\d{1,5})(?:\s*min)?$/.exec(plain);
  return minutes ? Number(minutes[1]) : null;
}
