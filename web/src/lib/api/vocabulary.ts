// Written by the program from its core: dotnet run --project src/ZealousEmber.App -- --vocabulary=web/src/lib/api/vocabulary.ts

/** Every alarm there is. */
export const alarmIds = [
  'tc-broken',
  'tc-jump',
  'tc-short',
  'tc-reversed',
  'frozen',
  'no-reading',
  'over-limit',
  'over-set-point',
  'stuck-on',
  'no-heat',
  'power-cut',
  'falls-fast',
  'weak',
  'stalled',
  'cannot-reach',
  'cone-short',
  'cone-past',
  'turn-due',
  'turn-overdue',
  'past-end',
  'steam-look'
] as const;
export type AlarmId = (typeof alarmIds)[number];

/** Every fault of ware there is. */
export const faultIds = [
  'underfired',
  'overfired',
  'pinholes',
  'blisters',
  'crawling',
  'crazing',
  'shivering',
  'dunting',
  'crack-rounded',
  'burst',
  'bloating',
  'black-core',
  'warping',
  'dull-crystals',
  'gone-matte',
  'colour-out',
  'uneven',
  'stuck',
  'greyed',
  'foot-crack',
  'too-little-reduction',
  'too-much-reduction',
  'carbon-trapped',
  'iron-colour',
  'copper-colour'
] as const;
export type FaultId = (typeof faultIds)[number];

/** The colour of a hot chamber, by eye; °C. */
export const colours = [
  { id: 'none', name: 'no glow', celsius: 500 },
  { id: 'firstDullRed', name: 'first dull red', celsius: 575 },
  { id: 'darkCherry', name: 'dark cherry', celsius: 700 },
  { id: 'cherry', name: 'cherry', celsius: 800 },
  { id: 'brightOrangeRed', name: 'bright orange-red', celsius: 900 },
  { id: 'orange', name: 'orange', celsius: 1000 },
  { id: 'yellowOrange', name: 'yellow-orange', celsius: 1100 },
  { id: 'yellow', name: 'yellow', celsius: 1200 },
  { id: 'pale', name: 'pale', celsius: 1300 }
] as const;

/** Degrees a cone is set at, and past which it is called flat. */
export const coneBend = { setAt: 8, flat: 100 };

/** Heat work, 1 for a cone that is down, that bends a cone so far: for each degree from 8 to 119. */
export const workAtBend = [
  0, 0.04444, 0.08422, 0.12025, 0.15318, 0.18351, 0.21162, 0.23784, 0.26239, 0.2855,
  0.30732, 0.32801, 0.34766, 0.3664, 0.3843, 0.40145, 0.41791, 0.43373, 0.44897, 0.46368,
  0.47788, 0.49164, 0.50496, 0.51789, 0.53044, 0.54266, 0.55454, 0.56613, 0.57743, 0.58846,
  0.59923, 0.60977, 0.62009, 0.63019, 0.64009, 0.6498, 0.65933, 0.66869, 0.67789, 0.68694,
  0.69584, 0.7046, 0.71322, 0.72173, 0.73011, 0.73838, 0.74654, 0.7546, 0.76256, 0.77043,
  0.77821, 0.7859, 0.79352, 0.80106, 0.80852, 0.81592, 0.82325, 0.83052, 0.83773, 0.84488,
  0.85198, 0.85903, 0.86604, 0.873, 0.87992, 0.8868, 0.89364, 0.90045, 0.90722, 0.91397,
  0.92069, 0.92739, 0.93406, 0.94071, 0.94734, 0.95396, 0.96056, 0.96716, 0.97374, 0.98031,
  0.98688, 0.99344, 1, 1.00656, 1.01312, 1.01969, 1.02626, 1.03284, 1.03944, 1.04604,
  1.05266, 1.05929, 1.06594, 1.07261, 1.07931, 1.08603, 1.09278, 1.09955, 1.10636, 1.1132,
  1.12008, 1.127, 1.13396, 1.14097, 1.14802, 1.15512, 1.16227, 1.16948, 1.17675, 1.18408,
  1.19148, 1.19894
];

/** What a bend is called, from so many degrees on. */
export const bendWords = [
  { from: 0, words: 'stands' },
  { from: 18, words: 'at 1 o’clock' },
  { from: 18.75, words: 'at half past 1' },
  { from: 26.25, words: 'at 2 o’clock' },
  { from: 34, words: 'at half past 2' },
  { from: 41.5, words: 'at 3 o’clock' },
  { from: 48.75, words: 'at half past 3' },
  { from: 56.25, words: 'at 4 o’clock' },
  { from: 64, words: 'at half past 4' },
  { from: 71.25, words: 'at 5 o’clock' },
  { from: 79, words: 'at half past 5' },
  { from: 86.25, words: 'down, at 6 o’clock' },
  { from: 100.25, words: 'flat' }
] as const;

/** How far apart pieces of a stack stand: a nest's least, its share of the height, the gap of spacers; mm. */
export const stackStep = { nestLeast: 20, nestShare: 0.35, spacerGap: 10 };

/** Degrees Fahrenheit to a kelvin, and where water freezes. */
export const fahrenheit = { perKelvin: 1.8, freezing: 32 };

/** What people call the air, each from a λ on, the richest first. */
export const airBands = [
  { id: 'soot', from: 0 },
  { id: 'heavy-reduction', from: 0.78 },
  { id: 'light-reduction', from: 0.9 },
  { id: 'neutral', from: 0.98 },
  { id: 'oxidising', from: 1.08 }
] as const;
