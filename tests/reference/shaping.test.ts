import * as fontkit from 'fontkit';
import { beforeAll, describe, expect, it } from 'vitest';
import { setLine, expect as valueOf, type FontShelf } from '$core/index';
import { fontBytes, shelfOf, shipped } from '../support/fonts';

// The second font reader is fontkit 2.0.4, which shares no code with HarfBuzz.
const FAMILIES = [
  'bodoni-moda',
  'playfair-display',
  'eb-garamond',
  'cinzel',
  'marcellus',
  'alfa-slab-one',
  'zilla-slab',
  'jost',
  'montserrat',
  'league-spartan',
  'josefin-sans',
  'bebas-neue',
  'oswald',
  'limelight',
];
const STRINGS = [
  ...[
    'Windrow Kites',
    'KITE WORKSHOP',
    'Gorsebank',
    'ROWING CLUB',
    'Tidewrack Aerial',
    'With the tide',
    'AVATAR',
    'To Yv Wa Te',
    'LTYVA',
    'Pa. Fo, Ry-',
  ],
  ...[
    'WAVE',
    'Tyne',
    'offshore',
    'fluffy flint',
    'quay & key',
    'Est. 1987',
    '0123456789',
    '“Quoted”',
    'Vowel',
    'LAVA',
    'Kayak',
    'FJORD',
    'Rye',
    'Worth',
    'yawl',
    'AWAY',
    'Ivy',
    'Toy',
    'rnmu',
    'Zephyr',
  ],
];
let shelf: FontShelf;
beforeAll(async () => {
  shelf = await shelfOf(...FAMILIES);
});

describe('shaping agrees with a second font reader', () => {
  it.each(FAMILIES)('%s: advances and kerning of 30 strings within 1 font unit', async (id) => {
    expect(STRINGS).toHaveLength(30);
    const face = valueOf(shelf.find({ family: id, style: 'normal', axes: {} }));
    const file = shipped.find((family) => family.id === id)?.faces[0]?.file ?? '';
    const opened = fontkit.create(Buffer.from(await fontBytes(file))) as fontkit.Font;
    // fontkit does not vary kerning along the axes (it ignores GPOS device tables), so variable fonts are compared where they rest.
    const axes = Object.fromEntries(face.axes.map((axis) => [axis.tag, axis.default]));
    for (const text of STRINGS) {
      const ours = setLine(face, text, { axes, kerning: 'font', trackingPermille: 0 }).glyphs.map(
        ({ advance, emPerUnit }) => advance / emPerUnit,
      );
      const theirs = opened.layout(text).positions.map(({ xAdvance }) => xAdvance);
      expect(ours.length, text).toBe(theirs.length);
      ours.forEach((advance, index) => expect(Math.abs(advance - (theirs[index] ?? NaN)), `${text} [${index}]`).toBeLessThanOrEqual(1));
    }
  });

  it('reads the same vertical metrics', async () => {
    for (const id of FAMILIES) {
      const { metrics } = valueOf(shelf.find({ family: id, style: 'normal', axes: {} })).at({});
      const opened = fontkit.create(
        Buffer.from(await fontBytes(shipped.find((family) => family.id === id)?.faces[0]?.file ?? '')),
      ) as fontkit.Font;
      expect(metrics.unitsPerEm, id).toBe(opened.unitsPerEm);
      if (opened['OS/2'].version >= 2 && metrics.capHeight > 0)
        expect(Math.abs(metrics.capHeight - opened.capHeight), id).toBeLessThanOrEqual(1);
    }
  });
});
