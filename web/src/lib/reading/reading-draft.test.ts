// @vitest-environment jsdom
import { describe, expect, it } from 'vitest';
import { ReadingDraft, readingOf, type ReadingView } from './reading-draft.svelte';

const view = (packs: unknown[] = [], results: Record<string, unknown> = {}): ReadingView =>
  ({
    firingId: 7,
    version: 0,
    reading: { packs, results },
    lots: [],
    shelves: ['top']
  }) as unknown as ReadingView;

const open = (told = view()) =>
  new ReadingDraft(told, { stored: { id: 7, version: 0, body: readingOf(told) }, copies: [] });

describe('a reading being made', () => {
  it('bends a cone, and dragging it is one step to undo', () => {
    const draft = open();
    draft.addPack('top', [
      { cone: '5', bendDegrees: 8 },
      { cone: '6', bendDegrees: 8 }
    ]);
    for (let bend = 10; bend <= 60; bend += 5) draft.bend('top', '6', bend);
    expect(draft.packOf('top')?.cones).toEqual([
      { cone: '5', bendDegrees: 8 },
      { cone: '6', bendDegrees: 60 }
    ]);
    draft.undo();
    expect(draft.packs).toEqual([]);
    draft.redo();
    expect(draft.packOf('top')?.cones[1]?.bendDegrees).toBe(60);
    draft.close();
  });

  it('finds a shelf by its number or its name', () => {
    const draft = open(view([{ shelf: 2, cones: [{ cone: '6', bendDegrees: 40 }] }]));
    expect(draft.packOf('2')?.cones[0]?.bendDegrees).toBe(40);
    draft.bend('2', '6', 50);
    expect(draft.packs[0]).toEqual({ shelf: 2, cones: [{ cone: '6', bendDegrees: 50 }] });
    draft.removePack(2);
    expect(draft.packs).toEqual([]);
    draft.close();
  });

  it('keeps what came out, fault by fault', () => {
    const draft = open(view([], { out: 12, faults: [{ kind: 'pinholes', count: 2 }] }));
    expect(draft.results).toMatchObject({ out: 12, lost: null, reference: false });
    draft.changeFault(0, { count: 3, severity: 'refire' });
    draft.say({ lost: 1 });
    expect(draft.results).toMatchObject({
      lost: 1,
      faults: [{ kind: 'pinholes', count: 3, severity: 'refire' }]
    });
    draft.undo();
    expect(draft.results.lost).toBeNull();
    draft.close();
  });
});
