import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { afterAll, describe, expect, it } from 'vitest';
import { expect as valueOf, itemize } from '$core/index';
import { checkFont, collectionFaces, unpackFontFile } from '$core/shaping';
import { FONT_PACKAGES } from '../../scripts/setup/packages.mjs';

/** Words of many scripts, plain nouns or letters in a row; a font is shaped with those it covers. */
const WORDS = [
  'AVATAR To Ty',
  'Fälle, office',
  'Ελλάδα',
  'Пекарня',
  'שלום עולם',
  'السلام كتاب',
  'नमस्ते क्षत्रिय',
  'বাংলা ক্ষমা',
  'ગુજરાતી શ્રી',
  'ಕನ್ನಡ ಕ್ಷ',
  'తెలుగు క్ష',
  'മലയാളം ക്ഷ',
  'தமிழ் ஸ்ரீ',
  'ภาษาไทย น้ำ',
  'ភាសាខ្មែរ',
  'မြန်မာ ကျွန်',
  'ພາສາລາວ ນ້ຳ',
  'አማርኛ ቡና',
];

const folder = mkdtempSync('/tmp/lucky-debian-');
afterAll(() => rmSync(folder, { recursive: true }));

const filesOf = (name: string): readonly string[] =>
  execFileSync('dpkg', ['-L', name], { encoding: 'utf8' })
    .split('\n')
    .filter((file) => /\.(ttf|otf|ttc|woff2?)$/i.test(file));

interface Placed {
  readonly ax: number;
}

describe('fonts of Debian’s packages', () => {
  // The reference is HarfBuzz's own command-line shaper (Debian libharfbuzz-bin 6.0), by OpenType (its build for Debian would shape some fonts by Graphite).
  it.each(FONT_PACKAGES)('%s: every file with outlines is taken in, and its advances equal the reference shaper’s', async (name) => {
    const off: string[] = [];
    let [files, lines] = [0, 0];
    for (const file of filesOf(name)) {
      const packed = new Uint8Array(readFileSync(file));
      for (let face = 0; face < Math.max(1, collectionFaces(packed)); face++) {
        const which = collectionFaces(packed) > 0 ? face : undefined;
        const checked = await checkFont(file, packed, which);
        if (!checked.ok) {
          off.push(`${file}: ${checked.problems[0]?.message}`);
          continue;
        }
        files++;
        const plain = `${folder}/face.ttf`;
        writeFileSync(plain, valueOf(await unpackFontFile(packed, which)));
        const { typeface } = checked.value;
        for (const text of WORDS.filter((word) => [...word].every((letter) => typeface.covers(letter.codePointAt(0) ?? 0)))) {
          const [stretch] = itemize(text);
          if (!stretch) continue;
          const args = [
            plain,
            text,
            '--output-format=json',
            '--no-glyph-names',
            '--shaper=ot',
            '--language=en',
            `--script=${stretch.script}`,
            `--direction=${stretch.direction}`,
          ];
          const theirs = (JSON.parse(execFileSync('hb-shape', args, { encoding: 'utf8' })) as Placed[]).reduce(
            (sum, { ax }) => sum + ax,
            0,
          );
          const ours = typeface
            .at({})
            .shape({ text, direction: stretch.direction, script: stretch.script, features: {} })
            .reduce((sum, { advance }) => sum + advance, 0);
          lines++;
          // Variable fonts rest at other values here than at their defaults; their advances are compared elsewhere.
          if (typeface.axes.length === 0 && Math.abs(ours - theirs) > 0.5) off.push(`${file} “${text}”: ${ours} against ${theirs}`);
        }
      }
    }
    expect(off).toEqual([]);
    expect(files).toBeGreaterThan(0);
    // Symbol fonts have no words.
    if (name !== 'fonts-font-awesome') expect(lines).toBeGreaterThan(0);
  });
});
