import { describe, expect, it } from 'vitest';
import { subjectPage, subjectWords } from './words';

describe('what the audit names', () => {
  it.each([
    ['kilns/1', 'kiln 1', '/stores/kilns/1'],
    ['firings/3/entries/77', 'a note of firing 3', '/firings/3'],
    ['kilns/2/token', 'the token of kiln 2', '/stores/kilns/2'],
    ['people/4', 'person 4', null],
    ['studio', 'the settings', '/stores/settings'],
    ['studio/ways', 'the usual choices', null],
    ['sessions', 'an unknown name', null],
    ['something/9', 'something 9', null]
  ])('%s', (subject, words, page) => {
    expect(subjectWords(subject)).toBe(words);
    if (subject !== 'studio/ways') expect(subjectPage(subject)).toBe(page);
  });
});
