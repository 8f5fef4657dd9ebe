import { describe, expect, it } from 'vitest';
import { expect as valueOf, setLine } from '$core/index';
import { checkFont, collectionFaces, facesOf, openTypeface, unpackFontFile } from '$core/shaping';
import { fontBytes, shipped } from '../../support/fonts';

const bytesOf = (id: string) => fontBytes(shipped.find((family) => family.id === id)?.faces[0]?.file ?? '');

/** Fonts put together to one file that shares nothing. @source ISO/IEC 14496-22, 4.6.1 "TTC header" */
function collectionOf(fonts: readonly Uint8Array[]): Uint8Array {
  const header = 12 + fonts.length * 4;
  const out = new Uint8Array(fonts.reduce((sum, font) => sum + ((font.length + 3) & ~3), header));
  const view = new DataView(out.buffer);
  view.setUint32(0, 0x74746366);
  view.setUint32(4, 0x00010000);
  view.setUint32(8, fonts.length);
  let at = header;
  fonts.forEach((font, index) => {
    view.setUint32(12 + index * 4, at);
    out.set(font, at);
    // Tables are found from the beginning of the whole file.
    const count = view.getUint16(at + 4);
    for (let table = 0; table < count; table++) {
      const place = at + 12 + table * 16 + 8;
      view.setUint32(place, view.getUint32(place) + at);
    }
    at += (font.length + 3) & ~3;
  });
  return out;
}

describe('a collection of faces', () => {
  it('names its faces, and gives the one that is chosen, the same as on its own', async () => {
    const [jost, prata] = [await bytesOf('jost'), await bytesOf('prata')];
    const both = collectionOf([jost, prata]);
    expect(collectionFaces(both)).toBe(2);
    const names = await facesOf(both);
    expect([names[0], names[1]]).toEqual([expect.stringContaining('Jost'), expect.stringContaining('Prata')]);
    const undecided = await checkFont('both', both);
    expect(undecided.ok ? '' : undecided.problems[0]?.code).toBe('font-collection');
    const second = valueOf(await checkFont('second', both, 1));
    const alone = valueOf(openTypeface('alone', prata));
    const settings = { axes: {}, kerning: 'font', trackingPermille: 0 } as const;
    expect(setLine(second.typeface, 'AVATAR', settings).advance).toBe(setLine(alone, 'AVATAR', settings).advance);
    const none = await checkFont('third', both, 2);
    expect(none.ok ? '' : none.problems[0]?.code).toBe('no-such-face');
  });

  it('that is cut off is refused, at every length', async () => {
    const both = collectionOf([await bytesOf('jost'), await bytesOf('prata')]);
    for (let length = 12; length < both.length; length += Math.ceil(both.length / 60)) {
      const read = await unpackFontFile(both.subarray(0, length), 1);
      if (read.ok) expect((await checkFont('cut', both.subarray(0, length), 1)).ok, String(length)).toBe(false);
    }
  });
});

describe('files that are other fonts', () => {
  it.each([
    ['PostScript Type 1', [0x80, 1, ...new TextEncoder().encode('%!PS-AdobeFont-1.0: Demo')]],
    ['PostScript Type 1', [...new TextEncoder().encode('%!PS-AdobeFont-1.0: Demo 001')]],
    ['PCF', [1, ...new TextEncoder().encode('fcp'), 0, 0, 0, 0, 0, 0, 0, 0]],
    ['BDF', [...new TextEncoder().encode('STARTFONT 2.1\nFONT demo')]],
    ['gzip', [0x1f, 0x8b, 8, 0, 0, 0, 0, 0, 0, 0, 0, 0]],
  ])('are named for what they are: %s', async (name, bytes) => {
    const read = await unpackFontFile(Uint8Array.from(bytes));
    expect(read.ok ? '' : read.problems[0]?.message).toContain(name);
    expect(read.ok ? '' : read.problems[0]?.fix).toBeTruthy();
  });
});

describe('monospaced faces', () => {
  it('keep their grid where letters are kerned optically; others are moved', async () => {
    const [mono, serif] = [
      valueOf(openTypeface('mono', await bytesOf('courier-prime'))),
      valueOf(openTypeface('serif', await bytesOf('prata'))),
    ];
    const gaps = (face: typeof mono) =>
      setLine(face, 'AVATAR', { axes: {}, kerning: 'optical', opticalPercent: 50, trackingPermille: 0 }).letters.map(
        ({ added }) => added?.optical ?? 0,
      );
    expect([mono.monospaced, serif.monospaced]).toEqual([true, false]);
    expect(gaps(mono).every((gap) => gap === 0)).toBe(true);
    expect(gaps(serif).some((gap) => gap < 0)).toBe(true);
  });
});
