import { describe, expect, it } from 'vitest';
import { marksFor, PACK_NAMES, packKind, pieceCanvasSchema, startPack, wantedFiles, type Palette, type PlannedMark } from '$core/index';

const palette: Palette = { ink: '#22302a', paper: '#fffdf8', lead: '#b5482d', second: '#dce5e1', accent: '#e8b84b' };
const canvas = pieceCanvasSchema.parse({ width: 85, height: 55, unit: 'mm', bleed: 3 });
const marks: readonly PlannedMark[] = [
  { id: 'a', name: 'Primary', role: 'primary' },
  { id: 'b', name: 'Submark', role: 'submark' },
  { id: 'card', name: 'Card', role: 'piece', canvas },
  // A piece whose canvas was taken away is neither.
  { id: 'odd', name: 'Odd', role: 'piece' },
];

describe('marks and pieces in packs', () => {
  it('never mix: pieces go into packs of pieces, marks into all others', () => {
    for (const kind of PACK_NAMES)
      expect(
        marksFor(kind, marks).map(({ id }) => id),
        kind,
      ).toEqual(packKind(kind).pieces ? ['card'] : ['a', 'b']);
  });

  it('a pack of pieces begins with all of them, in formats for screens and printers, bleed where it is printed from', () => {
    const pack = startPack('pieces', marks, palette);
    expect(pack.marks).toEqual(['card']);
    const files = wantedFiles({ pattern: 'x', packs: [pack] }, marks, palette);
    expect(files.map(({ format, canvas: { width, height, unit, bleedMm, dpi } }) => [format, width, height, unit, bleedMm, dpi])).toEqual([
      ['png', 85, 55, 'mm', 0, 300],
      ['pdf', 85, 55, 'mm', 3, 300],
    ]);
  });

  it('what is clear of ground stays so; icons, which have sizes of their own, are made of no piece', () => {
    const pack = { ...startPack('pieces', marks, palette), formats: ['png', 'jpg', 'ico'] as const };
    const files = wantedFiles({ pattern: 'x', packs: [{ ...pack, formats: [...pack.formats] }] }, marks, palette);
    expect(files.map(({ format, ground }) => [format, ground])).toEqual([
      ['png', null],
      ['jpg', 'paper'],
    ]);
  });

  it('marks that are named in a pack of pieces, and pieces in another, are passed over', () => {
    const all = marks.map(({ id }) => id);
    const pieces = { ...startPack('pieces', marks, palette), marks: all };
    const site = { ...startPack('site', marks, palette), marks: all };
    expect(new Set(wantedFiles({ pattern: 'x', packs: [pieces] }, marks, palette).map(({ mark }) => mark))).toEqual(new Set(['card']));
    expect(new Set(wantedFiles({ pattern: 'x', packs: [site] }, marks, palette).map(({ mark }) => mark))).toEqual(new Set(['a', 'b']));
  });
});
