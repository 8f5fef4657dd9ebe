import { Resvg } from '@resvg/resvg-js';
import { PNG } from 'pngjs';
import { describe, expect, it } from 'vitest';
import { dress, newTreatment, RECIPE_VERSION, STARTING_PALETTE, toSvg, type Recipe } from '$core/index';
import { partOf } from '../../../support/drawn-mark';
import { shelfOf } from '../../../support/fonts';
import { resolverOf } from '../../../support/resolver';

const shelf = await shelfOf('jost');
const recipeOf = (...parts: readonly object[]): Recipe => ({
  version: RECIPE_VERSION,
  parts: parts.map((part) => partOf(part as Parameters<typeof partOf>[0])),
});
const RELIEF = newTreatment('relief', 'r', { shape: 'cut', widthPx: 24 });
const ETCHED = newTreatment('etched', 'e', {});
const disk = (x: number, y: number, treatment: object = RELIEF, more: object = {}) => ({
  ...{ kind: 'shape', id: 'disk', form: { form: 'disk', widthPx: 160, heightPx: 160 }, place: { x, y, turnDeg: 0 } },
  treatments: [treatment],
  ...more,
});
const copies = (more: object) => ({ kind: 'symmetry', id: 'copies', members: ['disk'], ...more });
const BOX = { left: -256, top: -256, right: 256, bottom: 256 };
const pixelsOf = (recipe: Recipe) => {
  const { drawing } = resolverOf(shelf).resolve({ recipe, sources: new Map(), dress: dress(STARTING_PALETTE, 'full') });
  return PNG.sync.read(
    new Resvg(toSvg(drawing, { title: '', box: BOX }), { background: '#fff', fitTo: { mode: 'width', value: 512 } }).render().asPng(),
  );
};
/** Mean lightness of a square of a picture of one pixel to one. */
function lightness({ data, width }: PNG, x: number, y: number, half: number): number {
  let [sum, count] = [0, 0];
  for (let row = y - half; row < y + half; row++)
    for (let column = x - half; column < x + half; column++) {
      sum += data[(row * width + column) * 4 + 1] as number;
      count++;
    }
  return sum / count;
}
/** How much lighter the upper left of a disk of 160 px is than its lower right: what the light of the mark makes. */
const litFromUpperLeft = (picture: PNG, x: number, y: number): number => {
  const at = Math.round(80 * Math.SQRT1_2 * 0.8);
  return lightness(picture, 256 + x - at, 256 + y - at, 10) - lightness(picture, 256 + x + at, 256 + y + at, 10);
};

/** Where four copies stand. */
const CORNERS = [-120, 120].flatMap((y) => [-120, 120].map((x) => [x, y] as const));

describe('copies of what is lit', () => {
  it('in a mirror are lit from the same side: as the same part is that stands there by itself', () => {
    const mirrored = pixelsOf(recipeOf(disk(-120, 0), copies({ rule: 'mirror', axisDeg: 90 })));
    const plain = pixelsOf(recipeOf(disk(-120, 0), disk(120, 0, RELIEF, { id: 'other' })));
    // A disk is its own image: lit alike, both pictures are the same.
    const off = mirrored.data.reduce((sum, value, at) => sum + Math.abs(value - (plain.data[at] as number)), 0) / mirrored.data.length;
    expect(off).toBeLessThan(0.4);
    expect(litFromUpperLeft(mirrored, -120, 0)).toBeGreaterThan(20);
    expect(litFromUpperLeft(mirrored, 120, 0)).toBeCloseTo(litFromUpperLeft(mirrored, -120, 0), -1);
  });

  it.each([
    ['four ways', { rule: 'four-way' }],
    ['around a center', { rule: 'around', count: 4 }],
  ])('%s are all lit from one side, engraved too', (_, rule) => {
    for (const treatment of [RELIEF, ETCHED]) {
      const picture = pixelsOf(recipeOf(disk(-120, -120, treatment), copies(rule)));
      for (const [x, y] of CORNERS) expect(litFromUpperLeft(picture, x, y), `${treatment.kind} at ${x}, ${y}`).toBeGreaterThan(15);
    }
  });

  it('within groups, turned and mirrored, and copies of copies, too', () => {
    const picture = pixelsOf(
      recipeOf(
        disk(-120, -120),
        { kind: 'group', id: 'inner', members: ['disk'] },
        copies({ id: 'pair', rule: 'mirror', axisDeg: 90, members: ['inner'] }),
        copies({ id: 'both', rule: 'mirror', axisDeg: 0, members: ['pair'] }),
        { kind: 'group', id: 'all', members: ['both'], place: { x: 0, y: 0, turnDeg: 180, flip: true } },
      ),
    );
    for (const [x, y] of CORNERS) expect(litFromUpperLeft(picture, x, y), `at ${x}, ${y}`).toBeGreaterThan(20);
  });

  it('cut at the mirror are whole: no line shows where the halves meet', () => {
    const picture = pixelsOf(recipeOf(disk(-20, 0), copies({ rule: 'mirror', axisDeg: 90, crop: true })));
    // Across the mirror, inside of the disk and away from its lit rim, all is one color.
    const at = (x: number) => picture.data[(256 * picture.width + 256 + x) * 4 + 1] as number;
    for (let x = -20; x < 20; x++) expect(Math.abs(at(x) - at(-30)), `at ${x}`).toBeLessThan(3);
  });

  it('that are not lit share one picture', () => {
    const band = newTreatment('outline-band', 'b', {});
    const { drawing } = resolverOf(shelf).resolve({
      recipe: recipeOf(disk(-120, 0, band), copies({ rule: 'mirror', axisDeg: 90 })),
      sources: new Map(),
      dress: dress(STARTING_PALETTE, 'full'),
    });
    const pair = drawing.groups[0]?.children.map((node) => (node.kind === 'group' ? node.children[0] : undefined));
    expect(pair?.length).toBe(2);
    expect(pair?.[0] && 'children' in pair[0] && pair[0].children[0]).toEqual(pair?.[1] && 'children' in pair[1] && pair[1].children[0]);
  });
});
