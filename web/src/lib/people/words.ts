import type { Member } from './queries';

/** What somebody is, and what that means. */
export const roleNames: Record<Member['role'], string> = {
  owner: 'Owner',
  firer: 'Firer',
  maker: 'Maker',
  display: 'Screen'
};

export const roleMeans: Record<Exclude<Member['role'], 'display'>, string> = {
  owner: 'may do everything, and manages the studio',
  firer: 'plans firings, and fires the kilns they are certified for',
  maker: 'has pots to be fired, and notes readings'
};

const parts: Record<string, string> = {
  kilns: 'kiln',
  firings: 'firing',
  schedules: 'schedule',
  controllers: 'controller',
  clays: 'clay',
  glazes: 'glaze',
  people: 'person',
  devices: 'device',
  practice: 'a try at practice',
  entries: 'a note',
  entered: 'a read-back',
  maintenance: 'work done',
  certificates: 'a certificate',
  run: 'the start',
  reading: 'the reading',
  token: 'the token',
  care: 'what is said',
  photo: 'the photo',
  studio: 'the settings',
  ways: 'the usual choices',
  'check-lists': 'the check lists',
  copies: 'everything',
  sessions: 'an unknown name'
};

/** An address of the audit in words: "a note of firing 3". */
export function subjectWords(subject: string): string {
  const [noun = '', id, part] = subject.split('/');
  if (noun === 'studio') return parts[id ?? 'studio'] ?? subject;
  const whole = id ? `${parts[noun] ?? noun} ${id}` : (parts[noun] ?? noun);
  return part ? `${parts[part] ?? part} of ${whole}` : whole;
}

/** Where it can be seen; nothing for what has no page. */
export function subjectPage(subject: string): string | null {
  const [noun, id] = subject.split('/');
  if (!id) return noun === 'studio' ? '/stores/settings' : null;
  return noun === 'firings'
    ? `/firings/${id}`
    : noun === 'schedules'
      ? `/schedules/${id}`
      : noun === 'kilns'
        ? `/stores/kilns/${id}`
        : noun === 'controllers'
          ? `/stores/controllers/${id}`
          : null;
}
