import { readdirSync, readFileSync } from 'node:fs';
import { Resvg } from '@resvg/resvg-js';
import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { dress, parseRecipe, recoverRecipe, toSvg, writeRecipe, expect as valueOf, type Bounds, type Palette } from '$core/index';
import { shelfOf } from '../../support/fonts';
import { resolverOf } from '../../support/resolver';

/** A mark as an earlier state of this program stored it, with the picture that it drew then (lossless WebP, white ground). */
interface StoredMark {
  readonly name: string;
  readonly palette: Palette;
  readonly recipe: unknown;
  readonly sources?: Readonly<Record<string, unknown>>;
  readonly box: Bounds;
  readonly picture: string;
}

const FOLDER = 'tests/fixtures/stored-recipes';
const files = readdirSync(FOLDER).sort();
const families = (stored: unknown) => [
  ...new Set([...JSON.stringify(stored).matchAll(/"family":"([a-z0-9-]+)"/g)].map(([, id]) => id ?? '')),
];
/** What was drawn wrongly then and is not now may differ in a few pixels; a part that is gone or elsewhere differs in many. */
/** Longer side of the stored pictures. */
const SIDE = 128;
const MEAN_OF_255 = 1.5;

describe.each(files)('marks stored on %s', (file) => {
  const marks = JSON.parse(readFileSync(`${FOLDER}/${file}`, 'utf8')) as readonly StoredMark[];
  it.each(marks.map((mark) => [mark.name, mark] as const))(
    '%s opens, can be saved again, and draws the same picture',
    async (_name, stored) => {
      const recipe = valueOf(recoverRecipe(stored.recipe));
      // Strict reading, as a save is read, finds nothing wrong with it either; nothing in it is unknown.
      expect(valueOf(parseRecipe(writeRecipe(recipe)))).toEqual(recipe);
      expect(recipe.parts.filter(({ kind }) => kind === 'unknown')).toEqual([]);
      const sources = new Map(Object.entries(stored.sources ?? {}).map(([id, source]) => [id, valueOf(recoverRecipe(source))]));
      const shelf = await shelfOf(...families([stored.recipe, stored.sources]));
      const mark = resolverOf(shelf).resolve({ recipe, sources, dress: dress(stored.palette, 'full') });
      const { ink } = mark;
      if (!ink) throw new Error('nothing is drawn');
      const size = Math.max(stored.box.right - stored.box.left, stored.box.bottom - stored.box.top);
      for (const side of ['left', 'top', 'right', 'bottom'] as const)
        expect(Math.abs(ink[side] - stored.box[side]) / size, side).toBeLessThan(0.005);
      const wide = stored.box.right - stored.box.left > stored.box.bottom - stored.box.top;
      const then = await sharp(Buffer.from(stored.picture, 'base64')).removeAlpha().raw().toBuffer({ resolveWithObject: true });
      const drawn = new Resvg(toSvg(mark.drawing, { title: 'now', box: ink }), {
        fitTo: { mode: wide ? 'width' : 'height', value: 160 },
        background: '#fff',
      }).render();
      const now = await sharp(drawn.asPng()).removeAlpha().resize(SIDE, SIDE, { fit: 'inside' }).raw().toBuffer();
      const mean = then.data.reduce((sum, value, at) => sum + Math.abs(value - (now[at] ?? 0)), 0) / then.data.length;
      expect(mean).toBeLessThan(MEAN_OF_255);
    },
  );
});

describe('a limit that was tightened', () => {
  const line = { kind: 'lettering', id: 'name', text: 'Windrow', font: { family: 'jost' } } as const;
  const stored = (...parts: unknown[]) => ({ version: 1, parts });

  it('never makes a stored mark unreadable: numbers come back within', () => {
    const old = stored({ ...line, sizePx: 99_999_999, opacity: 3 }, { ...line, id: 'two' });
    expect(parseRecipe(old).ok).toBe(false);
    expect(valueOf(recoverRecipe(old)).parts[0]).toMatchObject({ kind: 'lettering', sizePx: 10_000, opacity: 1 });
  });

  it('keeps whole what cannot be brought back, says so, and saves again with it', () => {
    const odd = { ...line, align: 'sideways' };
    const read = valueOf(recoverRecipe(stored(odd, { ...line, id: 'two' })));
    expect(read.parts.map(({ kind }) => kind)).toEqual(['unknown', 'lettering']);
    const again = valueOf(parseRecipe(JSON.parse(JSON.stringify(writeRecipe(read)))));
    expect(again).toEqual(read);
    expect((writeRecipe(again) as { parts: readonly { original?: unknown }[] }).parts[0]?.original).toEqual(odd);
  });

  it('lets a part be read again as soon as it can be', () => {
    const wrapped = stored({ kind: 'unread', id: 'name', original: line });
    expect(valueOf(parseRecipe(wrapped)).parts[0]).toMatchObject({ kind: 'lettering', text: 'Windrow' });
  });

  it('opens a mark of more parts than may be saved today', () => {
    const many = stored(...Array.from({ length: 501 }, (_, n) => ({ ...line, id: `p${n}` })));
    expect(parseRecipe(many).ok).toBe(false);
    expect(valueOf(recoverRecipe(many)).parts).toHaveLength(501);
  });
});

describe('bands that were parts of their own', () => {
  const panel = { kind: 'shape', id: 'panel', form: { form: 'panel', widthPx: 200, heightPx: 100, cornerPx: 0 } };
  const band = { kind: 'band', id: 'band', of: 'panel' };
  const other = { kind: 'shape', id: 'other', form: { form: 'disk' } };
  const read = (...parts: readonly object[]) => valueOf(recoverRecipe({ version: 2, parts })).parts;
  const seen = (...parts: readonly object[]) =>
    read(...parts).map(
      (part) =>
        `${part.id}${part.kind === 'unknown' ? '?' : (part.treatments ?? []).map((each) => ` ${'widthPx' in each ? each.widthPx : ''}`).join('')}`,
    );

  it('become treatments of what they lie directly behind, or in front of inside its edge, one by one', () => {
    expect(seen(band, panel)).toEqual(['panel 12']);
    expect(seen(panel, { ...band, side: 'inward', widthPx: 5 })).toEqual(['panel 5']);
    // Two that nest: the outer one goes around the inner one.
    expect(seen({ ...band, id: 'wide', widthPx: 20 }, { ...band, widthPx: 8 }, panel)).toEqual(['panel 8 12']);
    expect(seen({ ...band, widthPx: 8 }, panel, { ...band, id: 'line', side: 'inward', widthPx: 3 })).toEqual(['panel 3 8']);
    expect(seen({ kind: 'group', id: 'group', members: ['band', 'panel'] }, band, panel)).toEqual(['group', 'panel 12']);
  });

  it.each([
    ['something lies between', [band, other, panel]],
    ['it lies in front', [panel, band]],
    ['it is translucent', [{ ...band, opacity: 0.5 }, panel]],
    ['what it goes around is hidden', [band, { ...panel, hidden: true }]],
    [
      'another part follows it',
      [
        band,
        panel,
        {
          kind: 'lettering',
          id: 'name',
          text: 'a',
          font: { family: 'jost' },
          fit: { to: { kind: 'part', part: 'band' }, by: [{ means: 'size', min: 1, max: 900 }] },
        },
      ],
    ],
    ['it is combined with something', [band, panel, { kind: 'combination', id: 'sum', how: 'unite', members: ['band', 'panel'] }]],
    ['its corners are mitered around another band', [{ ...band, id: 'wide', widthPx: 20, join: 'miter' }, { ...other, id: 'gap' }, panel]],
  ])('stay parts where %s', (_, parts) => {
    expect(read(...(parts as object[])).some(({ kind }) => kind === 'band')).toBe(true);
  });
});
