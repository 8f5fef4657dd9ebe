import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { expect as valueOf, type Typeface } from '$core/index';
import { openTypeface } from '$core/shaping';
import { fontBytes, shipped } from '../support/fonts';

// The reference is HarfBuzz's own command-line shaper (Debian libharfbuzz-bin 6.0), another build of another version.
const FONTS = [
  'eb-garamond',
  'cormorant',
  'alegreya',
  'jost',
  'fraunces',
  'archivo',
  'josefin-sans',
  'montserrat',
  'great-vibes',
  'noto-sans',
  'noto-sans-arabic',
  'noto-sans-hebrew',
] as const;
const TEXTS: Readonly<Record<string, readonly string[]>> = {
  'noto-sans-arabic': ['كتاب', 'مرحبا', 'السلام'],
  'noto-sans-hebrew': ['שלום', 'אבג', 'תודה'],
  other: ['AVATAR', 'fluffy office', 'To Wa. Ye', '0123456789', 'Qu & “ij”', 'e\u0301a\u0308'],
};
const FEATURES: readonly Readonly<Record<string, number>>[] = [{}, { kern: 0 }, { liga: 0, clig: 0 }, { smcp: 1 }];
const WEIGHTS = [300, 400, 640] as const;

const folder = mkdtempSync('/tmp/lucky-hb-');
const fonts = new Map<string, { readonly file: string; readonly face: Typeface }>();
beforeAll(async () => {
  for (const id of FONTS) {
    const shippedFile = shipped.find((family) => family.id === id)?.faces[0]?.file ?? '';
    const bytes = await fontBytes(shippedFile);
    writeFileSync(`${folder}/${id}.ttf`, bytes);
    fonts.set(id, { file: `${folder}/${id}.ttf`, face: valueOf(openTypeface(id, bytes)) });
  }
});
afterAll(() => rmSync(folder, { recursive: true }));

interface Placed {
  readonly g: number;
  readonly cl: number;
  readonly dx: number;
  readonly dy: number;
  readonly ax: number;
}

describe('glyphs, advances, kerning and marks equal those of the command-line shaper', () => {
  it.each(FONTS)('%s', (id) => {
    const font = fonts.get(id);
    if (!font) throw new Error(`${id} was not opened`);
    const rightToLeft = id.endsWith('arabic') || id.endsWith('hebrew');
    const script = id.endsWith('arabic') ? 'Arab' : id.endsWith('hebrew') ? 'Hebr' : 'Latn';
    let cases = 0;
    for (const wght of font.face.axes.some(({ tag }) => tag === 'wght') ? WEIGHTS : [400])
      for (const features of FEATURES)
        for (const text of TEXTS[id] ?? TEXTS['other'] ?? []) {
          const axes = Object.fromEntries(font.face.axes.map((axis) => [axis.tag, axis.tag === 'wght' ? wght : axis.default]));
          const ours = font.face.at(axes).shape({ text, direction: rightToLeft ? 'rtl' : 'ltr', script, features });
          const settings = Object.entries(axes).map(([tag, value]) => `${tag}=${value}`);
          const asked = Object.entries(features).map(([tag, value]) => `${tag}=${value}`);
          const args = [
            '--output-format=json',
            '--no-glyph-names',
            `--script=${script}`,
            '--language=en',
            `--direction=${rightToLeft ? 'rtl' : 'ltr'}`,
            '--utf8-clusters',
          ];
          const theirs = JSON.parse(
            execFileSync(
              'hb-shape',
              [
                ...args,
                ...(settings.length > 0 ? [`--variations=${settings.join()}`] : []),
                ...(asked.length > 0 ? [`--features=${asked.join()}`] : []),
                font.file,
                text,
              ],
              { encoding: 'utf8' },
            ),
          ) as readonly Placed[];
          const label = `${text} ${asked.join()} ${wght}`;
          expect(
            ours.map(({ glyph }) => glyph),
            label,
          ).toEqual(theirs.map(({ g }) => g));
          ours.forEach((glyph, index) => {
            const other = theirs[index] as Placed;
            for (const [mine, its] of [
              [glyph.advance, other.ax],
              [glyph.xOffset, other.dx],
              [glyph.yOffset, other.dy],
            ] as const)
              // Two versions round variation deltas differently by at most one unit.
              expect(Math.abs(mine - its), label).toBeLessThanOrEqual(settings.length > 0 ? 1 : 0);
          });
          cases++;
        }
    expect(cases).toBeGreaterThanOrEqual(12);
  });
});
