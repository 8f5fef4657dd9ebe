import { Blob, Buffer, Direction, Face, Feature, Font, MetricsTag, shape, Variation } from 'harfbuzzjs';
import { boundsOf, PathPen, type Path } from '../geometry';
import { fail, ok, type Result } from '../result/result';
import { restingValue, type AxisValues, type ShapedGlyph, type TextRun, type Typeface, type TypefaceInstance } from '../type';
import type { FontUnits } from '../units/quantity';
import { readKernTable, type PairKerning } from './kern-table';
import { placeMarks } from './mark-placing';

/** Instances kept per font: enough for a slow drag along an axis, small enough to bound memory. */
const INSTANCES_KEPT = 48;

const isUsable = (face: Face): boolean => face.upem >= 16 && face.upem <= 16_384;

/**
 * Opens a font.
 * @param bytes plain TrueType or OpenType data (see `unpackFontFile`)
 * @returns a problem when the data holds no usable font
 */
export function openTypeface(id: string, bytes: Uint8Array): Result<Typeface> {
  const face = new Face(new Blob(bytes));
  const codePoints = new Set(face.collectUnicodes());
  if (!isUsable(face) || codePoints.size === 0 || !face.referenceTable('head'))
    return fail({ code: 'broken-font', message: `The font “${id}” has no usable ${codePoints.size === 0 ? 'characters' : 'header'}.` });

  const axes = Object.values(face.getAxisInfos()).map(({ tag, min, default: standard, max }) => ({ tag, min, default: standard, max }));
  // The shaping build reads GPOS only.
  const kern = face.getTableFeatureTags('GPOS').includes('kern') ? undefined : readKernTable(face.referenceTable('kern'));
  // Where a font does not say where marks go, they are placed by what it covers and by their boxes.
  const covers = face.getTableFeatureTags('GPOS').includes('mark') ? undefined : (codePoint: number) => codePoints.has(codePoint);
  const features = [
    ...new Set([...(kern ? ['kern'] : []), ...face.getTableFeatureTags('GSUB'), ...face.getTableFeatureTags('GPOS')]),
  ].sort();
  const instances = new Map<string, TypefaceInstance>();

  const at = (values: AxisValues): TypefaceInstance => {
    const settings = axes.map((axis) => ({
      tag: axis.tag,
      value: Math.min(axis.max, Math.max(axis.min, values[axis.tag] ?? restingValue(axis))),
    }));
    const key = settings.map(({ tag, value }) => `${tag}${value}`).join();
    const kept = instances.get(key);
    if (kept) return kept;
    const oldest = instances.keys().next();
    if (instances.size >= INSTANCES_KEPT && !oldest.done) instances.delete(oldest.value);
    const instance = openInstance(face, settings, kern, covers);
    instances.set(key, instance);
    return instance;
  };
  const name = face.getName(16, 'en') || face.getName(1, 'en');
  return ok({
    id,
    name,
    fullName: face.getName(4, 'en'),
    axes,
    features,
    covers: (codePoint) => codePoints.has(codePoint),
    characterCount: codePoints.size,
    sample: (most) => {
      const all = [...codePoints];
      return all.length <= most ? all : Array.from({ length: most }, (_, n) => all[Math.floor((n * all.length) / most)] as number);
    },
    monospaced: isMonospaced(face, codePoints),
    table: (tag) => face.referenceTable(tag),
    at,
  });
}

/** Letters that a grid makes as wide as each other, though they are drawn narrow and wide. */
const NARROW_AND_WIDE = [...'iIlmMW.1'];
/** @source ISO/IEC 14496-22, 5.2.8 "isFixedPitch"; where a font does not say so, its widths do */
function isMonospaced(face: Face, codePoints: ReadonlySet<number>): boolean {
  const post = face.referenceTable('post');
  if (post && post.length >= 16 && new DataView(post.buffer, post.byteOffset).getUint32(12) !== 0) return true;
  const letters = NARROW_AND_WIDE.filter((letter) => codePoints.has(letter.codePointAt(0) as number));
  if (letters.length < NARROW_AND_WIDE.length) return false;
  const font = new Font(face);
  const widths = letters.map((letter) => shapeRun(font, { text: letter, direction: 'ltr', script: 'Latn', features: {} })[0]?.advance ?? 0);
  return widths.every((width) => width === widths[0]);
}

function openInstance(
  face: Face,
  settings: readonly { readonly tag: string; readonly value: number }[],
  kern: PairKerning | undefined,
  marks: ((codePoint: number) => boolean) | undefined,
): TypefaceInstance {
  const font = new Font(face);
  if (settings.length > 0) font.setVariations(settings.map(({ tag, value }) => new Variation(tag, value)));
  const outlines = new Map<number, Path>();
  const metric = (tag: MetricsTag) => font.getMetricPositionWithFallback(tag) as FontUnits;
  const extents = font.hExtents();

  const outline = (glyph: number): Path => {
    const kept = outlines.get(glyph);
    if (kept) return kept;
    const path = readOutline(font, glyph);
    outlines.set(glyph, path);
    return path;
  };
  const shapeWhole = (run: TextRun): readonly ShapedGlyph[] => {
    const shaped = shapeRun(font, run);
    const marked = !marks ? shaped : placeMarks(shaped, run, face.upem, (glyph) => boundsOf(outline(glyph)), marks);
    return kern && run.features['kern'] !== 0 ? kerned(marked, run, kern) : marked;
  };

  return {
    metrics: {
      unitsPerEm: face.upem,
      ascender: extents.ascender as FontUnits,
      descender: extents.descender as FontUnits,
      xHeight: metric(MetricsTag.X_HEIGHT),
      capHeight: metric(MetricsTag.CAP_HEIGHT),
    },
    shape: shapeWhole,
    outline,
  };
}

/**
 * Kerns a run by an old table, between letters only: marks are passed over, as the reference shaper passes them.
 * Half of a pair's kerning goes to either letter. @source HarfBuzz, hb-kern.hh (the machine of its “kern” tables)
 */
function kerned(shaped: readonly ShapedGlyph[], run: TextRun, kern: PairKerning): readonly ShapedGlyph[] {
  // Such fonts seldom say which glyphs are marks; then the characters do.
  const isMark = ({ advance, cluster }: ShapedGlyph): boolean => advance === 0 && /^\p{M}/u.test(run.text.slice(cluster));
  const glyphs = shaped.map((glyph) => ({ ...glyph }));
  // Right-to-left runs come in drawing order; tables name pairs in the order of reading.
  const order = run.direction === 'rtl' ? [...glyphs.keys()].reverse() : [...glyphs.keys()];
  const letters = order.filter((at) => !isMark(glyphs[at] as ShapedGlyph));
  for (let at = 0; at + 1 < letters.length; at++) {
    const [one, other] = [glyphs[letters[at] as number], glyphs[letters[at + 1] as number]] as [Mutable<ShapedGlyph>, Mutable<ShapedGlyph>];
    const by = kern(one.glyph, other.glyph);
    if (by === 0) continue;
    const first = by >> 1;
    one.advance = (one.advance + first) as FontUnits;
    other.advance = (other.advance + by - first) as FontUnits;
    other.xOffset = (other.xOffset + by - first) as FontUnits;
  }
  return glyphs;
}
type Mutable<T> = { -readonly [K in keyof T]: T[K] };

function shapeRun(font: Font, run: TextRun): readonly ShapedGlyph[] {
  const buffer = new Buffer();
  buffer.addText(run.text);
  buffer.setDirection(run.direction === 'rtl' ? Direction.RTL : Direction.LTR);
  buffer.setScript(run.script);
  buffer.setLanguage('en');
  shape(font, buffer, [
    ...Object.entries(run.features).map(([tag, value]) => new Feature(tag, value)),
    ...(run.ranges ?? []).map(({ tag, value, start, end }) => new Feature(tag, value, start, end)),
  ]);
  const positions = buffer.getGlyphPositions();
  return buffer.getGlyphInfos().map((info, index) => {
    const position = positions[index];
    return {
      glyph: info.codepoint,
      cluster: info.cluster,
      advance: (position?.xAdvance ?? 0) as FontUnits,
      xOffset: (position?.xOffset ?? 0) as FontUnits,
      yOffset: (position?.yOffset ?? 0) as FontUnits,
    };
  });
}

function readOutline(font: Font, glyph: number): Path {
  const pen = new PathPen();
  for (const { type, values } of font.glyphToJson(glyph)) {
    const [a = 0, b = 0, c = 0, d = 0, e = 0, f = 0] = values;
    if (type === 'M') pen.move(a, -b);
    else if (type === 'L') pen.line(a, -b);
    else if (type === 'Q') pen.quadratic(a, -b, c, -d);
    else if (type === 'C') pen.cubic(a, -b, c, -d, e, -f);
    else pen.close();
  }
  return pen.path();
}
