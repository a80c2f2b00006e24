import { expect, it } from 'vitest';
import { findTerms, terms } from './terms';

it('finds a term under whatever people call it', () => {
  expect(findTerms('soak').map((t) => t.term)).toEqual(['Hold']);
  expect(findTerms('CANDL').map((t) => t.term)).toEqual(['Drying hold']);
  expect(findTerms('')).toHaveLength(terms.length);
  for (const word of ['damper', 'lambda', 'body reduction', 'turn-up', 'draft', 'draught', 'heat work'])
    expect(findTerms(word), word).not.toEqual([]);
  expect(findTerms('zeppelin')).toEqual([]);
});
