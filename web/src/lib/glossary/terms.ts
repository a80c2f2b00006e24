/** A term of the screens, what it means, and what else people call it. */
export interface Term {
  term: string;
  means: string;
  also: readonly string[];
}

/** One term each, everywhere; the others are found by search and explained here. */
export const terms: readonly Term[] = [
  {
    term: 'Firing',
    means: 'One run of a kiln, from loading it to looking at the results.',
    also: ['fire', 'burn']
  },
  { term: 'Schedule', means: 'The steps a firing follows.', also: ['program', 'profile', 'cycle'] },
  { term: 'Step', means: 'One climb or cooling, with its hold.', also: ['segment', 'ramp', 'stage'] },
  {
    term: 'Climb and cooling',
    means: 'How fast it gets hotter or cooler, in degrees an hour.',
    also: ['ramp', 'rate', 'rise', 'fall']
  },
  { term: 'Target', means: 'The temperature a step ends at.', also: ['set point'] },
  { term: 'Top', means: 'The hottest target of a schedule.', also: ['peak', 'top temperature'] },
  { term: 'Hold', means: 'Time spent at a target.', also: ['soak', 'dwell'] },
  {
    term: 'Drying hold',
    means: 'A hold below boiling, until the last water is out. Wet ware that is heated past boiling bursts.',
    also: ['preheat', 'candling']
  },
  {
    term: 'Cone, witness cones, cone pack',
    means:
      'Small pyramids that bend with heat work: heat and time together. A pack of three beside the ware tells what it had.',
    also: ['pyrometric cone']
  },
  {
    term: 'Full power, off',
    means: 'As fast as the kiln can; power off, so that it cools by itself.',
    also: []
  },
  { term: 'Lot', means: 'Pieces that are alike: the same walls, clay and glaze.', also: ['batch'] },
  { term: 'Load', means: 'Everything in the kiln.', also: [] },
  { term: 'Display', means: 'What the controller shows.', also: ['readout'] },
  {
    term: 'Safe to open',
    means:
      "Cool enough by the studio's rule. Ware and shelves still burn; the kiln maker's manual comes first.",
    also: []
  },
  { term: 'Fix', means: 'What puts a finding right, ready to be taken.', also: [] }
];

/** The terms that hold every word, under whatever name. */
export function findTerms(words: string): readonly Term[] {
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
  return terms.filter((t) => {
    const text = [t.term, t.means, ...t.also].join(' ').toLowerCase();
    return wanted.every((word) => text.includes(word));
  });
}
