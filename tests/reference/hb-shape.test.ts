import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { expect as valueOf, type Typeface } from '$core/index';
import { openTypeface } from '$core/shaping';
import { DEEP, oneInEvery } from '../support/deep';
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
const WEIGHTS = oneInEvery(3, [640, 300, 400]);

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

/** The font without what it says about placing: readers skip a table of a name they do not know. */
function withoutPlacing(bytes: Uint8Array): Uint8Array {
  const out = Uint8Array.from(bytes);
  const view = new DataView(out.buffer);
  for (let table = 0; table < view.getUint16(4); table++) if (view.getUint32(12 + table * 16) === 0x47504f53) out[12 + table * 16] = 0x58;
  return out;
}

describe('marks in fonts that do not say where they go', () => {
  it.each(['noto-sans', 'jost', 'alegreya', 'archivo'])('stand where the command-line shaper puts them: %s', async (id) => {
    const bytes = withoutPlacing(await fontBytes(shipped.find((family) => family.id === id)?.faces[0]?.file ?? ''));
    writeFileSync(`${folder}/${id}-bare.ttf`, bytes);
    const face = valueOf(openTypeface(id, bytes));
    let marks = 0;
    for (const letter of oneInEvery(2, [...'aqgxzmMQT']))
      for (const above of ['\u0302', '\u0304', '\u0323', '\u0331', '\u0327', '\u0302\u0304', '\u0323\u0302', '\u0338', '\u031b']) {
        const text = `${letter}${above}n`;
        const axes = Object.fromEntries(face.axes.map((axis) => [axis.tag, axis.default]));
        const ours = face.at(axes).shape({ text, direction: 'ltr', script: 'Latn', features: {} });
        const args = ['--output-format=json', '--no-glyph-names', '--script=Latn', '--language=en', '--direction=ltr', '--utf8-clusters'];
        const theirs = JSON.parse(
          execFileSync('hb-shape', [...args, `${folder}/${id}-bare.ttf`, text], { encoding: 'utf8' }),
        ) as readonly Placed[];
        const told = (of: readonly { readonly g: number; readonly dx: number; readonly dy: number; readonly ax: number }[]) =>
          JSON.stringify(of.map(({ g, dx, dy, ax }) => [g, dx, dy, ax]));
        const label = `${JSON.stringify(text)}: ${told(ours.map((each) => ({ g: each.glyph, dx: each.xOffset, dy: each.yOffset, ax: each.advance })))} against ${told(theirs)}`;
        expect(
          ours.map(({ glyph }) => glyph),
          label,
        ).toEqual(theirs.map(({ g }) => g));
        if (ours.some(({ glyph }) => glyph === 0)) continue;
        if (ours.length > 2) marks++;
        ours.forEach((glyph, index) => {
          const other = theirs[index] as Placed;
          // A box is the extremes of the curve here, and what the font notes there: a few units apart.
          expect(Math.abs(glyph.xOffset - other.dx), label).toBeLessThanOrEqual(4);
          expect(Math.abs(glyph.yOffset - other.dy), label).toBeLessThanOrEqual(4);
          expect(Math.abs(glyph.advance - other.ax), label).toBeLessThanOrEqual(0);
        });
      }
    expect(marks).toBeGreaterThan(DEEP ? 9 : 3);
  });
});

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
