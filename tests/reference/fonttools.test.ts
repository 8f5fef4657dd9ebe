import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import {
  createQualityReader,
  distance,
  measureFace,
  catalogueEntry,
  expect as valueOf,
  type CatalogueEntry,
  type Typeface,
} from '$core/index';
import { openTypeface } from '$core/shaping';
import { fontBytes, shipped } from '../support/fonts';

// The independent reader is fontTools (Debian python3-fonttools), which shares no code with HarfBuzz.
interface Said {
  readonly name: string;
  readonly unitsPerEm: number;
  readonly hhea: readonly [number, number];
  readonly typo: readonly [number, number];
  readonly xHeight: number;
  readonly capHeight: number;
  readonly xTop: number | null;
  readonly hTop: number | null;
  readonly italicAngle: number;
  readonly axes: readonly (readonly [string, number, number, number])[];
  readonly features: readonly string[];
  readonly characters: readonly number[];
}
const folder = mkdtempSync('/tmp/lucky-fonttools-');
const faces = new Map<string, { readonly face: Typeface; readonly said: Said }>();
const debian = ['junicode', 'linux-libertine', 'ebgaramond'].flatMap((name) =>
  readdirSync(`/usr/share/fonts/opentype/${name}`).map((file) => `/usr/share/fonts/opentype/${name}/${file}`),
);

beforeAll(async () => {
  const files: string[] = [];
  for (const { file } of shipped.flatMap((family) => family.faces)) {
    const copy = `${folder}/${file.replaceAll('/', '__')}.ttf`;
    writeFileSync(copy, await fontBytes(file));
    files.push(copy);
  }
  files.push(...debian, ...readdirSync('/usr/share/fonts/truetype/vollkorn').map((file) => `/usr/share/fonts/truetype/vollkorn/${file}`));
  const said = JSON.parse(
    execFileSync('/usr/bin/python3', ['tests/reference/dump-fonts.py', ...files], { encoding: 'utf8', maxBuffer: 1 << 28 }),
  ) as Record<string, Said>;
  for (const file of files) faces.set(file, { face: valueOf(openTypeface(file, readFileSync(file))), said: said[file] as Said });
});
afterAll(() => rmSync(folder, { recursive: true }));

/** What the core measures of a font as its maker set it, measured once for all tests. */
const measured = new Map<string, ReturnType<typeof measureFace>>();
function measuredAtRest(file: string): ReturnType<typeof measureFace> {
  const { face, said } = faces.get(file) ?? {};
  if (!face || !said) throw new Error(`${file} was not read.`);
  const found = measured.get(file) ?? measureFace(face, Object.fromEntries(said.axes.map(([tag, , rest]) => [tag, rest])));
  measured.set(file, found);
  return found;
}

describe('what the core reads equals what fontTools reads', () => {
  it('covers all shipped faces and at least ten whole fonts of others', () => {
    expect(faces.size).toBe(
      shipped.flatMap((family) => family.faces).length + debian.length + readdirSync('/usr/share/fonts/truetype/vollkorn').length,
    );
    expect(faces.size).toBeGreaterThanOrEqual(91);
  });

  it('names, metrics, axes, features and characters, for every font', () => {
    for (const [file, { face, said }] of faces) {
      const { metrics } = face.at({});
      expect(face.name, file).toBe(said.name);
      expect(metrics.unitsPerEm, file).toBe(said.unitsPerEm);
      expect([said.hhea.join(), said.typo.join()], file).toContain(`${metrics.ascender},${metrics.descender}`);
      expect(
        face.axes.map(({ tag, min, default: rest, max }) => [tag, min, rest, max]),
        file,
      ).toEqual(said.axes);
      // An old kern table counts as the feature that it stands for; fontTools lists GSUB and GPOS.
      expect(
        face.features.filter((tag) => tag !== 'kern' || said.features.includes(tag)),
        file,
      ).toEqual(said.features);
      expect(face.characterCount, file).toBe(said.characters.length);
      expect(
        said.characters.every((character) => face.covers(character)),
        file,
      ).toBe(true);
    }
  });
});

describe('what the core measures, against the tables', () => {
  /** Fonts whose table states a height, and how far the measured one is from it. */
  const compared = (table: 'xHeight' | 'capHeight') =>
    [...faces].flatMap(([file, { said }]) => {
      if (said[table] <= 0) return [];
      const height = measuredAtRest(file).measures[table];
      return [{ file: file.split('/').at(-1) ?? file, off: Math.abs(height / ((said[table] * 1000) / said.unitsPerEm) - 1) }];
    });

  it('heights are those of the outlines that fontTools draws, within one font unit, for every font', () => {
    for (const [file, { said }] of faces) {
      const { measures } = measuredAtRest(file);
      const perUnit = 1000 / said.unitsPerEm;
      if (said.xTop !== null) expect(Math.abs(measures.xHeight - said.xTop * perUnit), file).toBeLessThanOrEqual(perUnit);
      if (said.hTop !== null) expect(Math.abs(measures.capHeight - said.hTop * perUnit), file).toBeLessThanOrEqual(perUnit);
    }
  });

  // The tables state what the maker typed in; in over a quarter of these fonts that is not where the outlines end
  // (small capitals, scripts, values in another unit). The share below is a floor, not a wish.
  it.each([
    ['xHeight', 0.7],
    ['capHeight', 0.8],
  ] as const)('%s lies within 1 %% of what the table states, for at least this share of the fonts: %f', (table, share) => {
    const all = compared(table);
    expect(
      all.filter(({ off }) => off <= 0.01).length / all.length,
      all
        .filter(({ off }) => off > 0.01)
        .map(({ file }) => file)
        .join(', '),
    ).toBeGreaterThanOrEqual(share);
  });

  // Measured is the median of straight stems. Junicode's beta states one angle for all of its italics, which lean by 4° to 6° less; it is left out.
  it('italics lean as their table states, within 1.5°, and within 0.1° where the maker measured too', () => {
    const off = [...faces].flatMap(([file, { said }]) => {
      const { measures } = measuredAtRest(file);
      if (said.italicAngle === 0 || measures.joining >= 0.2 || measures.segments >= 100 || file.includes('JunicodeTwoBeta')) return [];
      return [{ file, deg: Math.abs(measures.slantDeg - said.italicAngle) }];
    });
    expect(off.length).toBeGreaterThanOrEqual(8);
    for (const { file, deg } of off) expect(deg, file).toBeLessThan(/EBGaramond|LinBiolinum/.test(file) ? 0.1 : 1.5);
  });

  it('upright faces whose table says 0° measure within 1°, scripts aside', () => {
    for (const [file, { said }] of faces) {
      const { measures } = measuredAtRest(file);
      if (said.italicAngle === 0 && measures.joining < 0.2 && measures.segments < 100)
        expect(Math.abs(measures.slantDeg), file).toBeLessThan(1);
    }
  });
});

describe('faces the library has never seen', () => {
  const stored = JSON.parse(readFileSync('fonts/measures.json', 'utf8')) as Record<string, CatalogueEntry>;
  const library = shipped
    .filter((family) => family.class !== 'other scripts')
    .map((family) => ({ group: family.class, entry: stored[family.faces[0]?.file ?? ''] as CatalogueEntry }));
  const read = createQualityReader(library.map(({ entry }) => entry));

  it.each([
    ['/usr/share/fonts/opentype/linux-libertine/LinLibertine_R.otf', /serif/],
    ['/usr/share/fonts/opentype/junicode/JunicodeTwoBeta-Regular.otf', /serif/],
    ['/usr/share/fonts/opentype/ebgaramond/EBGaramond12-Regular.otf', /old-style serif|high-contrast serif/],
    ['/usr/share/fonts/truetype/vollkorn/Vollkorn-Bold.ttf', /serif/],
    ['/usr/share/fonts/opentype/linux-libertine/LinBiolinum_R.otf', /sans|inscriptional|deco/],
  ])('%s lands beside its own class', (file, own) => {
    const face = faces.get(file)?.face;
    if (!face) throw new Error(`${file} was not read`);
    const qualities = read(catalogueEntry(face));
    const nearest = library
      .map(({ group, entry }) => ({ group, apart: distance(qualities, read(entry)) }))
      .sort((a, b) => a.apart - b.apart)
      .slice(0, 5);
    expect(nearest.filter(({ group }) => own.test(group)).length, nearest.map(({ group }) => group).join(', ')).toBeGreaterThanOrEqual(4);
  });
});
