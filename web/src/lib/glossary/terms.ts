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
  { term: 'Fix', means: 'What puts a finding right, ready to be taken.', also: [] },
  {
    term: 'Heat work',
    means: 'What temperature and time do to clay and glaze together; a cone shows it, a display cannot.',
    also: ['cone temperature', 'heatwork']
  },
  {
    term: 'Turn, turn-up sheet',
    means:
      'A change of burners or damper, and the list of all of them by the clock, for a kiln fired by hand.',
    also: ['firing log', 'turning up']
  },
  {
    term: 'Mark',
    means: 'One line of the gauge at the burners: how hard the gas is turned up.',
    also: ['gauge', 'gas pressure', 'notch']
  },
  {
    term: 'Damper',
    means:
      'The plate in the flue. Open, it draws more air through the kiln; shut, it holds heat and flame in.',
    also: ['flue plate', 'slide']
  },
  {
    term: 'Draft',
    means: 'The pull of the hot flue that draws air in at the inlets. Damper and chimney set it.',
    also: ['draught', 'draw', 'pull']
  },
  {
    term: 'λ (lambda)',
    means: 'The air there is, over the air the gas needs: 1 is just enough, less reduces, more oxidises.',
    also: ['lambda', 'air ratio', 'air to gas']
  },
  {
    term: 'Oxidation, reduction, neutral',
    means:
      'Firing with air to spare, with too little of it, or with just enough. Too little leaves carbon monoxide, which takes oxygen out of clay and glaze.',
    also: ['atmosphere', 'ox', 'redox', 'smoky']
  },
  {
    term: 'Body reduction',
    means: 'Reduction while the clay is still open, from about 900 °C on, before the glaze melts.',
    also: ['early reduction', 'clay reduction']
  },
  {
    term: 'Back pressure',
    means:
      'More gas inside than the flue takes away: flame licks out of ports and peepholes. Open the damper.',
    also: ['flame at the ports', 'positive pressure']
  },
  {
    term: 'Clean-up',
    means: 'A short oxidation at the end of a reduction, to clear the surface.',
    also: ['re-oxidation', 'clearing']
  },
  {
    term: 'Slow band',
    means: 'The stretch of the cooling in which a glaze grows its crystals, and how long it wants there.',
    also: ['crystal growth', 'slow cooling', 'down-firing']
  },
  {
    term: 'Witness pack',
    means: 'Three cones on a shelf: one below the goal, the goal, and one above it.',
    also: ['cone pack', 'guide cone', 'guard cone']
  }
];

/** The terms that hold every word, under whatever name. */
export function findTerms(words: string): readonly Term[] {
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
  return terms.filter((t) => {
    const text = [t.term, t.means, ...t.also].join(' ').toLowerCase();
    return wanted.every((word) => text.includes(word));
  });
}
