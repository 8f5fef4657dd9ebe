import { describe, expect, it } from 'vitest';
import {
  artSize,
  createPart,
  flatten,
  islandsOf,
  outlineOf,
  pathData,
  rightsLines,
  rightsOf,
  startOf,
  thicknessOfArea,
  withText,
  withWeight,
  expect as valueOf,
  weightsAgree,
  type Art,
  type Form,
  type KnownPart,
  type Recipe,
  type Region,
  RECIPE_VERSION,
} from '$core/index';
import { drawnOn, letteringInput, partNamed } from '../../support/drawn-mark';
import { shelfOf, shipped } from '../../support/fonts';
import { paths } from '../../support/resolver';

const draw = drawnOn(await shelfOf('jost', 'special-elite'));
const ringData = pathData(outlineOf({ ...startOf('ring'), widthPx: 1000, heightPx: 1000, bandPx: 60 } as Form));
const art = (change: object = {}) =>
  ({
    kind: 'art',
    id: 'art',
    source: { title: 'Hoop', set: 'Bold pictures', author: 'A. Drawer', license: 'CC-BY-3.0' },
    slots: [{ original: '#000000', paint: { role: 'lead' } }],
    pieces: [{ data: ringData }],
    sizePx: 200,
    ...change,
  }) as Parameters<typeof createPart>[0];
const holes = (region: Region) => islandsOf(region).reduce((sum, { path }) => sum + path.verbs.split('M').length - 2, 0);

describe('art', () => {
  it('is drawn at its size, in the colors of its slots', () => {
    const mark = draw(art());
    const { ink } = partNamed(mark, 'art');
    expect((ink?.right ?? 0) - (ink?.left ?? 0)).toBeCloseTo(200, 6);
    expect(artSize(valueOf(createPart(art() as never)) as Art)).toEqual({ width: 200, height: 200 });
  });

  it('is brought to a stroke weight: a hoop’s band becomes what is asked, within 2 %', () => {
    for (const weightPx of [6, 12, 20, 30]) {
      const mark = draw(art({ weightPx }));
      const fill = mark.drawing.groups[0]?.children[0] as unknown as Region;
      expect((thicknessOfArea(fill)?.median ?? 0) / weightPx).toBeCloseTo(1, 1.7);
    }
  });

  it('follows the stroke of a lettering, live, and says when that is gone', () => {
    const stroke = (sizePx: number) => {
      const mark = draw(letteringInput({ text: 'III', sizePx }), art({ weightFrom: 'name' }));
      return thicknessOfArea(mark.drawing.groups[1]?.children[0] as unknown as Region)?.median ?? 0;
    };
    expect(stroke(200) / stroke(100)).toBeCloseTo(2, 1);
    expect(draw(art({ weightFrom: 'nobody' })).parts[0]?.notices[0]?.code).toBe('weight-gone');
    const laurel = draw(letteringInput({ text: 'III', sizePx: 300 }), {
      kind: 'shape',
      id: 'l',
      form: { form: 'arcLine' },
      weightFrom: 'name',
    } as Parameters<typeof createPart>[0]);
    expect(thicknessOfArea(laurel.drawing.groups[1]?.children[0] as unknown as Region)?.median).toBeCloseTo(
      thicknessOfArea(laurel.drawing.groups[0]?.children[0] as unknown as Region)?.median ?? NaN,
      0,
    );
  });

  it('never closes a counter when it is thickened, and never vanishes when it is thinned', () => {
    const letters = draw(letteringInput({ text: 'B8', sizePx: 100 }));
    for (const node of letters.drawing.groups[0]?.children ?? []) {
      const area = paths.weld([node as unknown as Region]);
      for (const weight of [0.01, 2, 15, 40, 80]) {
        const made = withWeight(area, weight, paths);
        expect(holes(made)).toBe(holes(area));
        expect(flatten(made.path).length).toBeGreaterThan(0);
      }
    }
  });

  it('warns when weights in one mark lie too far apart', () => {
    expect(weightsAgree([10])).toBeUndefined();
    expect(weightsAgree([10, 12, 25])?.verdict).toBe('passes');
    expect(weightsAgree([10, 40])).toMatchObject({ verdict: 'look', figure: '1 : 4.0' });
    // Three times is looked at, six times fails.
    expect([2.99, 3.01, 5.99, 6.01].map((times) => weightsAgree([10, 10 * times])?.verdict)).toEqual(['passes', 'look', 'look', 'fails']);
    expect(weightsAgree([1, 40])?.verdict).toBe('fails');
  });
});

describe('rights', () => {
  const rights = (...inputs: readonly Parameters<typeof createPart>[0][]) => {
    const recipe: Recipe = { version: RECIPE_VERSION, parts: inputs.map((input) => valueOf(createPart(input as never)) as KnownPart) };
    return rightsOf(recipe, new Map(), { family: (id) => shipped.find((family) => family.id === id) });
  };

  it('are the strictest of what a mark is made of', () => {
    expect(rights(letteringInput())).toMatchObject({ sell: 'yes', register: 'yes', credits: [] });
    const drawn = { kind: 'shape', id: 's', form: { form: 'laurel' } } as Parameters<typeof createPart>[0];
    expect(rights(drawn)).toMatchObject({ sell: 'yes', register: 'yes' });
    const mixed = rights(letteringInput(), drawn, art());
    expect(mixed).toMatchObject({ sell: 'with credit', register: 'no' });
    expect(mixed.credits).toEqual(['“Hoop” by A. Drawer, Creative Commons Attribution 3.0']);
    expect(rights(art({ source: { title: 'Found' } }))).toMatchObject({ sell: 'ask', register: 'ask' });
    expect(rights(letteringInput({ font: { family: 'nowhere' } }))).toMatchObject({ sell: 'ask', register: 'ask' });
    // Nobody known comes before whoever wants to be named; what everybody may use comes before what nobody has answered for.
    const found = { ...(art() as object), id: 'found', source: { title: 'Found' } } as Parameters<typeof createPart>[0];
    expect(rights(art(), found)).toMatchObject({ sell: 'ask', register: 'no' });
    expect(rights(found, art())).toMatchObject({ sell: 'ask', register: 'no' });
    expect(rights(art({ source: { title: 'Odd', license: 'Some-License-9' } })).parts[0]?.terms.label).toBe('not known');
  });

  it('names every font once, letters’ own fonts included, with its license', () => {
    const { parts } = rights(
      letteringInput({ letters: [{ at: { index: 0, letter: 'W' }, font: { family: 'special-elite' } }] }),
      letteringInput({ id: 'other' }),
    );
    expect(parts.map(({ what }) => what).sort()).toEqual(['Jost', 'Special Elite'].sort());
    expect(parts.every(({ license }) => license.length > 3)).toBe(true);
  });

  it('travel as lines of text, also inside of a PNG as iTXt (read back by chunk layout, PNG Third Edition 5.3)', () => {
    const lines = rightsLines(rights(letteringInput(), art()));
    expect(lines.at(-1)).toContain('Credit: “Hoop” by A. Drawer');
    const png = Uint8Array.from(
      Buffer.from('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==', 'base64'),
    );
    const signed = Buffer.from(withText(png, 'Copyright', lines.join('\n')));
    const at = signed.indexOf('iTXt');
    const length = signed.readUInt32BE(at - 4);
    const data = signed.subarray(at + 4, at + 4 + length);
    expect(data.subarray(0, 14).toString('latin1')).toBe('Copyright\0\0\0\0\0');
    expect(data.subarray(14).toString('utf8')).toBe(lines.join('\n'));
  });
});
