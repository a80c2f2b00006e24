import type { FaultId } from '$lib/api/vocabulary';

/** Every fault with its name, what it looks like, and a small drawing of it on a tile: paths over 24 × 24. */
export interface FaultWord {
  id: FaultId;
  name: string;
  looks: string;
  draw: string;
}

export const faults: readonly FaultWord[] = [
  {
    id: 'underfired',
    name: 'Underfired',
    looks: 'dry, rough, pale',
    draw: 'M5 8h2M10 7h2M15 9h2M7 12h2M13 12h2M5 16h2M11 16h2M17 15h2'
  },
  {
    id: 'overfired',
    name: 'Overfired',
    looks: 'run, thin on the edges',
    draw: 'M4 8h16M7 8v8a1.500 1.500 0 0 0 3 0V8M14 8v11a1.500 1.500 0 0 0 3 0V8'
  },
  {
    id: 'pinholes',
    name: 'Pinholes',
    looks: 'small deep holes',
    draw: 'M7 8h.01M12 7h.01M17 9h.01M9 13h.01M15 13h.01M7 17h.01M13 17h.01M18 17h.01'
  },
  {
    id: 'blisters',
    name: 'Blisters',
    looks: 'bubbles, craters with sharp rims',
    draw: 'M10 9a3 3 0 1 1-6 0 3 3 0 0 1 6 0M20 10a2.500 2.500 0 1 1-5 0 2.500 2.500 0 0 1 5 0M15 17a3 3 0 1 1-6 0 3 3 0 0 1 6 0'
  },
  {
    id: 'crawling',
    name: 'Crawling',
    looks: 'glaze drawn back, bare clay',
    draw: 'M4 6c4-1 5 3 3 5s-3 3-3 1M20 7c-4-2-7 1-5 4s5 2 5 0M8 19c-1-4 6-5 8-2s-2 4-5 3'
  },
  {
    id: 'crazing',
    name: 'Crazing',
    looks: 'a net of fine cracks',
    draw: 'M4 9l7-4 9 5M11 5l-2 9 8 6M4 15l5-1M20 10l-6 3 3 7M14 13l-5 1'
  },
  {
    id: 'shivering',
    name: 'Shivering',
    looks: 'flakes off at the edges',
    draw: 'M4 6h12l-3 3 3 2H9l-2 3H4M17 15l3 2-2 2-3-2zM19 8l2 1-1 2'
  },
  { id: 'dunting', name: 'Dunting', looks: 'a clean crack, sharp edges', draw: 'M12 3l-2 6 4 3-3 4 2 5' },
  {
    id: 'crack-rounded',
    name: 'Rounded crack',
    looks: 'open, edges rounded',
    draw: 'M11 4c-2 5-1 6 1 8s2 4 0 8M14 5c0 4-1 5 0 7s3 4 1 7'
  },
  {
    id: 'burst',
    name: 'Burst',
    looks: 'blown apart',
    draw: 'M12 4v5M12 15v5M4 12h5M15 12h5M6 6l4 4M14 14l4 4M18 6l-4 4M10 14l-4 4'
  },
  {
    id: 'bloating',
    name: 'Bloating',
    looks: 'lumps under the skin',
    draw: 'M3 16h4c0-5 5-5 5 0h1c0-7 6-7 6 0h2'
  },
  {
    id: 'black-core',
    name: 'Black core',
    looks: 'dark in the middle of the wall',
    draw: 'M4 7h16M4 17h16M7 12h10M8 11h8M8 13h8'
  },
  {
    id: 'warping',
    name: 'Warping',
    looks: 'bent, rocks on the table',
    draw: 'M3 15c5-6 13-6 18 0M3 18c5-6 13-6 18 0'
  },
  {
    id: 'dull-crystals',
    name: 'Dull, few crystals',
    looks: 'a matte that did not grow',
    draw: 'M12 6l1.500 3.500 3.500.5-2.600 2.400.7 3.600-3.100-1.800-3.100 1.800.7-3.600L7 10l3.500-.5zM5 19h14'
  },
  {
    id: 'gone-matte',
    name: 'Gone matte',
    looks: 'should shine and does not',
    draw: 'M5 6h14v12H5zM5 10l4-4M5 14l8-8M5 18 17 6M9 18l10-10M13 18l6-6'
  },
  {
    id: 'colour-out',
    name: 'Colour burned out',
    looks: 'pale where it was strong',
    draw: 'M12 4c4 5 6 8 6 10a6 6 0 0 1-12 0c0-2 2-5 6-10zM5 5l14 14'
  },
  { id: 'uneven', name: 'Uneven', looks: 'one place unlike another', draw: 'M4 6h16M4 12h11M4 18h6' },
  {
    id: 'stuck',
    name: 'Stuck',
    looks: 'to the shelf or to each other',
    draw: 'M4 19h16M8 19V9h8v10M7 19c0-3 2-3 2 0M13 19c0-4 3-4 3 0'
  },
  {
    id: 'greyed',
    name: 'Greyed',
    looks: 'grey where it should be white or red',
    draw: 'M5 8c3-3 5 2 8-1s4 0 6 0M5 13c3-3 5 2 8-1s4 0 6 0M5 18c3-3 5 2 8-1s4 0 6 0'
  },
  {
    id: 'foot-crack',
    name: 'Crack in the foot',
    looks: 'an S or a star underneath',
    draw: 'M12 12m-8 0a8 8 0 1 0 16 0 8 8 0 1 0-16 0M9 9c4-2 5 2 3 3s-1 5 3 3'
  },
  {
    id: 'too-little-reduction',
    name: 'Too little reduction',
    looks: 'pale body, no freckles of iron',
    draw: 'M7 19V8h10v11M9 8c0-3 1-4 3-5 2 1 3 2 3 5M5 21h14'
  },
  {
    id: 'too-much-reduction',
    name: 'Too much reduction',
    looks: 'dull, dark and rough, brittle body',
    draw: 'M7 19V8h10v11M5 21h14M9 5c0-2 2-2 2-4M13 6c0-3 2-3 2-5M8 11h8M8 14h8M8 17h8'
  },
  {
    id: 'carbon-trapped',
    name: 'Carbon trapped',
    looks: 'black or grey clouds under the glaze',
    draw: 'M6 12a3 3 0 0 1 5-2 4 4 0 0 1 7 2 3 3 0 0 1 0 5H8a3 3 0 0 1-2-5M9 14h.01M13 13h.01M15 16h.01'
  },
  {
    id: 'iron-colour',
    name: 'Iron the wrong colour',
    looks: 'celadon yellow or grey, tenmoku dull',
    draw: 'M5 12a7 7 0 0 1 14 0M5 12c0 4 3 7 7 7s7-3 7-7zM9 5l6 14'
  },
  {
    id: 'copper-colour',
    name: 'Copper the wrong colour',
    looks: 'green, clear or liver where red was wanted',
    draw: 'M5 12a7 7 0 0 1 14 0M5 12c0 4 3 7 7 7s7-3 7-7zM12 5v14'
  }
];

export const faultName = (id: string) => faults.find((f) => f.id === id)?.name ?? id;
