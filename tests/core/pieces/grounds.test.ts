import { describe, expect, it } from 'vitest';
import {
  bleedBox,
  contrastRatio,
  createPart,
  dress,
  EMPTY_RECIPE,
  expect as must,
  GROUND_NAMES,
  groundOf,
  isGroundPart,
  leastVeil,
  onCanvas,
  onGround,
  parseRecipe,
  pieceCanvasSchema,
  pieceChecks,
  pieceLayout,
  repoured,
  STARTING_PALETTE,
  writeRecipe,
  type Hex,
  type Palette,
  type PixelsOf,
  type Recipe,
} from '$core/index';
import { contrastOf, layersAt, leavesOf, readsOf, seenThrough } from '../../../src/core/checks/lies-behind';
import { shelfOf } from '../../support/fonts';
import { random } from '../../support/random';
import { resolverOf } from '../../support/resolver';

const resolver = resolverOf(await shelfOf('jost'));
const palette: Palette = { ...STARTING_PALETTE, ink: '#1d2b2f', paper: '#faf6ec', lead: '#24556b', second: '#dfe7e2', accent: '#b8562f' };
const SHA = 'a'.repeat(64);
const PICTURE = { sha256: SHA, fileWidthPx: 100, fileHeightPx: 100 };
const drawn = (recipe: Recipe, colors = palette) => resolver.resolve({ recipe, sources: new Map(), dress: dress(colors, 'full') });
const part = (input: object) => must(createPart(input as Parameters<typeof createPart>[0]));

/** A square canvas of 1,000 px with one word in its middle. */
const piece = (canvas: object = {}, words: object = {}): Recipe => ({
  ...EMPTY_RECIPE,
  parts: [
    part({
      ...{ kind: 'lettering', id: 'word', text: 'HHHH', font: { family: 'jost', style: 'normal', axes: {} }, sizePx: 200 },
      ...{ align: 'center', paint: { role: 'ink' }, place: { x: 0, y: 70, turnDeg: 0 }, ...words },
    }),
  ],
  whole: { treatments: [], canvas: pieceCanvasSchema.parse({ width: 1000, height: 1000, ...canvas }) },
});
/** Pixels of one color, or by a rule. */
const pixels =
  (color: (x: number, y: number) => readonly [number, number, number]): PixelsOf =>
  () => {
    const rgba = new Uint8Array(100 * 100 * 4);
    for (let at = 0; at < 100 * 100; at++) rgba.set([...color(at % 100, Math.floor(at / 100)), 255], at * 4);
    return { columns: 100, rows: 100, rgba };
  };
const mixed = (one: readonly number[], other: readonly number[], share: number): Hex =>
  `#${one
    .map((value, at) =>
      Math.round(value + ((other[at] as number) - value) * share)
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`;
const channels = (hex: Hex): readonly number[] => [1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16));

describe('grounds of pieces', () => {
  it.each(GROUND_NAMES)('%s is known again, covers canvas and bleed, and is taken off without a trace', (kind) => {
    const bare = piece({ unit: 'mm', width: 90, height: 55, bleed: 3 });
    const made = onGround(bare, palette, { kind, picture: PICTURE });
    expect(groundOf(made).kind).toBe(kind);
    expect(must(parseRecipe(JSON.parse(JSON.stringify(writeRecipe(made)))))).toEqual(made);
    const own = drawn(made).parts.filter(({ id, within }) => isGroundPart({ id }) && within === undefined);
    const box = bleedBox(must(parseRecipe(writeRecipe(made))).whole?.canvas as never);
    if (kind !== 'plain')
      for (const side of ['left', 'top', 'right', 'bottom'] as const)
        // A texture leaves flecks; all others run to the very end.
        expect(Math.abs((own[0]?.ink?.[side] ?? NaN) - box[side])).toBeLessThan(kind === 'textured' ? 12 : 1e-4);
    expect(onGround(made, palette, { kind: 'plain' })).toEqual(bare);
  });
  it('go along when the canvas becomes another, and when another layout is poured', () => {
    const made = onGround(piece(), palette, { kind: 'picture', picture: PICTURE, veil: 0.3 });
    const wider = onCanvas(made, { ...(made.whole?.canvas as NonNullable<typeof made.whole>['canvas'] & object), width: 2000 }, palette);
    expect(drawn(wider).parts.find(({ id }) => id === 'ground-veil')?.ink).toMatchObject({ left: -1000, right: 1000 });
    const layout = pieceLayout('centered-lead') ?? pieceLayout('stacked-lead');
    const all = [layout].filter((each) => each !== undefined);
    for (const each of all) {
      const poured = repoured(
        made,
        { ...pieceCanvasSchema.parse({ width: 600, height: 900 }) },
        each,
        {
          ...{ mark: 'm', submark: 'm', words: { heading: 'a', text: 'b', small: 'c' }, picture: undefined },
          faces: { heading: { family: 'jost', style: 'normal', axes: {} }, text: { family: 'jost', style: 'normal', axes: {} } },
        },
        palette,
      );
      expect(groundOf(poured)).toMatchObject({ kind: 'picture', veil: 0.3 });
      expect(poured.parts[0]?.id).toBe('ground-picture');
    }
  });
  it('fade only to colors of the palette on which their ink is read, for 200 random palettes', () => {
    const next = random(31);
    const hex = (): Hex =>
      `#${Array.from({ length: 3 }, () =>
        Math.floor(next() * 256)
          .toString(16)
          .padStart(2, '0'),
      ).join('')}`;
    for (let n = 0; n < 200; n++) {
      const own: Palette = { ink: hex(), paper: hex(), lead: hex(), second: hex(), accent: hex() };
      const made = onGround(piece({ ground: { role: 'second' } }), own, { kind: 'fading' });
      const ink = contrastRatio(own.ink, own.second) >= contrastRatio(own.paper, own.second) ? own.ink : own.paper;
      const treatment = (made.parts[0] as { treatments?: readonly { stops?: readonly { paint: { role: 'ink' } }[] }[] }).treatments?.[0];
      for (const { paint } of treatment?.stops ?? [])
        expect(paint.role === ('second' as string) || contrastRatio(own[paint.role], ink) >= 4.5).toBe(true);
    }
  });
  it('glow from the lighter color in the middle to the darker one around, whichever is the ground’s, for 200 random palettes', () => {
    const next = random(32);
    const gray = (): Hex => `#${`0${Math.floor(next() * 256).toString(16)}`.slice(-2).repeat(3)}`;
    for (let n = 0; n < 200; n++) {
      const own: Palette = { ink: gray(), paper: gray(), lead: gray(), second: gray(), accent: gray() };
      const [sheet] = onGround(piece({ ground: { role: 'second' } }), own, { kind: 'glowing' }).parts as readonly {
        readonly treatments?: readonly { readonly stops?: readonly { readonly paint: { readonly role: 'second' | 'lead' } }[] }[];
      }[];
      const [inner, outer] = (sheet?.treatments?.[0]?.stops ?? []).map(({ paint }) => Number.parseInt(own[paint.role].slice(1, 3), 16));
      expect(inner).toBeGreaterThanOrEqual(outer ?? Infinity);
    }
  });
});

describe('what lies behind words', () => {
  it('is composited as source over says: two veils over a picture, by hand', () => {
    const recipe = onGround(piece(), palette, { kind: 'picture', picture: PICTURE, veil: 0.25 });
    const leaves = leavesOf(
      drawn(recipe).drawing.groups.slice(0, 3),
      pixels(() => [200, 100, 40]),
    );
    expect(seenThrough(layersAt(leaves, { x: 0, y: 0 }))).toBe(mixed([200, 100, 40], channels(palette.paper), 0.25));
  });
  it('is the very place of the picture, cut off by its frame', () => {
    const wide = onGround(piece({ width: 1000, height: 500 }), palette, { kind: 'picture', picture: PICTURE, veil: 0 });
    const leaves = leavesOf(
      drawn(wide).drawing.groups,
      pixels((x, y) => [x, y, 0]),
    );
    // 100 × 100 pixels fill 1,000 × 1,000, of which the middle half is seen from top to foot.
    expect(seenThrough(layersAt(leaves, { x: -495, y: -245 }))).toBe('#001900');
    expect(seenThrough(layersAt(leaves, { x: 495, y: 245 }))).toBe('#634a00');
  });
  it('is the gradient’s color at that place', () => {
    const fading = onGround(piece({ ground: { role: 'paper' } }), palette, { kind: 'fading' });
    const leaves = leavesOf(
      drawn(fading).drawing.groups.filter(({ id }) => id !== 'word'),
      () => undefined,
    );
    const at = (y: number) => seenThrough(layersAt(leaves, { x: 3, y })) ?? '#000000';
    const [top, foot] = [channels(palette.paper), channels(palette.second)];
    for (const share of [0.1, 0.5, 0.9]) {
      const want = channels(mixed(top, foot, share));
      channels(at(-500 + 1000 * share)).forEach((value, k) => expect(Math.abs(value - (want[k] as number))).toBeLessThanOrEqual(1));
    }
  });
  it('is not guessed where the pixels are not at hand', () => {
    const recipe = onGround(piece(), palette, { kind: 'picture', picture: PICTURE, veil: 0.25 });
    expect(contrastOf(readsOf(drawn(recipe).drawing, 'word', () => undefined))).toBeUndefined();
    expect(pieceChecks(recipe, drawn(recipe)).find(({ id }) => id === 'contrast')?.finding).toMatchObject({
      verdict: 'look',
      figure: 'picture',
    });
  });
  it('is told with its ratio once they are: dark words on a dark picture fail, on a light one pass', () => {
    const recipe = onGround(piece(), palette, { kind: 'picture', picture: PICTURE, veil: 0 });
    const verdict = (value: number) =>
      pieceChecks(
        recipe,
        drawn(recipe),
        pixels(() => [value, value, value]),
      ).find(({ id }) => id === 'contrast')?.finding;
    expect(verdict(30)).toMatchObject({ verdict: 'fails' });
    expect(verdict(255)).toMatchObject({ verdict: 'passes' });
    expect(verdict(255)?.figure).toBe(`${contrastRatio('#ffffff', palette.ink).toFixed(1)} : 1`);
  });
});

describe('the least veil', () => {
  it.each([0, 30, 60, 90, 120, 180])('over an even gray of %i is where the closed form of the contrast reaches what is wanted', (value) => {
    const recipe = onGround(piece(), palette, { kind: 'picture', picture: PICTURE, veil: 0.5 });
    const found = leastVeil(
      recipe,
      drawn(recipe),
      pixels(() => [value, value, value]),
    );
    const passes = (veil: number) => contrastRatio(mixed([value, value, value], channels(palette.paper), veil), palette.ink) >= 3;
    let wanted = 1;
    while (wanted > 0.005 && passes(wanted - 0.01)) wanted -= 0.01;
    expect(found?.passes).toBe(true);
    expect(Math.abs((found?.opacity ?? NaN) - wanted)).toBeLessThan(0.0101);
  });
  it('goes by where the letters lie: dark only at the edge asks for none', () => {
    const recipe = onGround(piece(), palette, { kind: 'picture', picture: PICTURE, veil: 0.5 });
    const rim = pixels((x, y) => (Math.min(x, y, 99 - x, 99 - y) < 8 ? [0, 0, 0] : [250, 250, 250]));
    expect(leastVeil(recipe, drawn(recipe), rim)).toEqual({ opacity: 0, passes: true });
  });
  it('says where none is enough, and is nothing without words, pixels or a veil', () => {
    const faint = onGround(piece({}, { paint: { role: 'second' } }), palette, { kind: 'picture', picture: PICTURE, veil: 0.5 });
    expect(
      leastVeil(
        faint,
        drawn(faint),
        pixels(() => [250, 250, 250]),
      ),
    ).toEqual({ opacity: 1, passes: false });
    const silent = onGround(piece({}, { text: ' ' }), palette, { kind: 'picture', picture: PICTURE, veil: 0.5 });
    expect(
      leastVeil(
        silent,
        drawn(silent),
        pixels(() => [0, 0, 0]),
      ),
    ).toBeUndefined();
    expect(leastVeil(silent, drawn(silent), () => undefined)).toBeUndefined();
    expect(
      leastVeil(
        piece(),
        drawn(piece()),
        pixels(() => [0, 0, 0]),
      ),
    ).toBeUndefined();
  });
  it('makes every check of contrast pass that it says passes, for 40 random pictures', () => {
    const next = random(17);
    for (let n = 0; n < 40; n++) {
      const bases = Array.from(
        { length: 16 },
        () => [next() * 255, next() * 255, next() * 255].map(Math.floor) as [number, number, number],
      );
      const shown = pixels((x, y) => bases[(x >> 5) + 4 * (y >> 5)] ?? [0, 0, 0]);
      const before = onGround(piece(), palette, { kind: 'picture', picture: PICTURE, veil: 0.5 });
      const least = leastVeil(before, drawn(before), shown);
      const after = onGround(before, palette, { veil: least?.opacity ?? 0 });
      const verdict = pieceChecks(after, drawn(after), shown).find(({ id }) => id === 'contrast')?.finding.verdict;
      expect(verdict === 'passes').toBe(least?.passes);
    }
  });
});

describe('a piece that is shown elsewhere', () => {
  it('is cut off at its canvas, and stands in it as it stands by itself', () => {
    const id = '00000000-0000-4000-8000-000000000009';
    const over = { kind: 'shape', id: 'over', form: { form: 'disk', widthPx: 400, heightPx: 400 }, place: { x: 500, y: 0, turnDeg: 0 } };
    const shown = piece();
    const whole = (recipe: Recipe) =>
      resolver.resolve({
        recipe: { ...EMPTY_RECIPE, parts: [part({ kind: 'linked', id: 'link', from: { mark: id, part: null }, take: 'whole' })] },
        sources: new Map([[id, recipe]]),
        dress: dress(palette, 'full'),
      });
    expect(whole({ ...shown, parts: [...shown.parts, part(over)] }).ink).toEqual({ left: -500, right: 500, top: -500, bottom: 500 });
    const canvas = shown.whole?.canvas;
    const bare = whole({ ...shown, whole: { treatments: [], ...(canvas ? { canvas: { ...canvas, ground: null } } : {}) } }).ink;
    const alone = drawn(shown).parts.find(({ id: each }) => each === 'word')?.ink;
    expect(bare).toEqual(alone);
  });
});
