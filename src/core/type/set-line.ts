import { graphemesOf } from './graphemes';
import { itemize } from './itemize';
import type { AxisValues, Typeface, TypefaceInstance } from './typeface';

export const KERNINGS = ['font', 'none'] as const;
export type Kerning = (typeof KERNINGS)[number];

/** How a line is to be set; lengths in 1/1000 em. */
export interface LineSettings {
  readonly axes: AxisValues;
  readonly kerning: Kerning;
  readonly trackingPermille: number;
}

/** One glyph on the line, in ems, origin at the line's start on the baseline, y down. */
export interface SetGlyph {
  readonly instance: TypefaceInstance;
  readonly glyph: number;
  /** Ems per font unit of this glyph's own font. */
  readonly emPerUnit: number;
  readonly x: number;
  readonly y: number;
  readonly advance: number;
  /** UTF-16 index, in the whole text, of the first character it stands for. */
  readonly cluster: number;
}

export interface SetLine {
  readonly glyphs: readonly SetGlyph[];
  /** Sum of the advances with tracking between letters (none after the last), in ems. */
  readonly advance: number;
  /** Letters that neither the font nor its fallback has; they are left out of the line, never drawn as boxes. */
  readonly missing: readonly string[];
  /** Letters that came from the fallback. */
  readonly borrowed: readonly string[];
}

const isVisible = (codePoint: number): boolean => !/^[\p{Cc}\p{Cf}\p{Zl}\p{Zp}]$/u.test(String.fromCodePoint(codePoint));
const hasAll = (face: Typeface, letter: string): boolean =>
  [...letter].every((character) => {
    const codePoint = character.codePointAt(0) as number;
    return !isVisible(codePoint) || face.covers(codePoint);
  });

/** The letters of a text that a font lacks, each once, in order. A letter counts with its marks, composed or not. */
export const missingLetters = (face: Typeface, text: string): readonly string[] => [
  ...new Set(
    graphemesOf(text)
      .map((grapheme) => grapheme.text)
      .filter((letter) => !hasAll(face, letter) && !hasAll(face, letter.normalize('NFC'))),
  ),
];

interface FontStretch {
  readonly face: Typeface;
  readonly text: string;
  readonly start: number;
}

/** Splits a stretch by the font that has its letters; letters that no font has are dropped. */
function byFont(
  text: string,
  start: number,
  face: Typeface,
  fallback: Typeface | undefined,
  missing: Set<string>,
  borrowed: Set<string>,
): readonly FontStretch[] {
  const stretches: { face: Typeface; text: string; start: number }[] = [];
  for (const grapheme of graphemesOf(text)) {
    const has = (candidate: Typeface) => hasAll(candidate, grapheme.text) || hasAll(candidate, grapheme.text.normalize('NFC'));
    const from = has(face) ? face : fallback && has(fallback) ? fallback : undefined;
    if (!from) {
      missing.add(grapheme.text);
      continue;
    }
    if (from !== face) borrowed.add(grapheme.text);
    const last = stretches.at(-1);
    if (last?.face === from && last.start + last.text.length === start + grapheme.start) last.text += grapheme.text;
    else stretches.push({ face: from, text: grapheme.text, start: start + grapheme.start });
  }
  return stretches;
}

/**
 * Sets one line of text: directions and scripts told apart, shaped by HarfBuzz, tracked.
 * Tracking goes between letters, never inside a letter with its marks; with tracking, optional ligatures are off (common practice).
 * @param fallback where letters come from that `face` lacks
 */
export function setLine(face: Typeface, text: string, settings: LineSettings, fallback?: Typeface): SetLine {
  const missing = new Set<string>();
  const borrowed = new Set<string>();
  const tracking = settings.trackingPermille / 1000;
  const features: Record<string, number> = {};
  if (settings.kerning === 'none') features['kern'] = 0;
  if (tracking !== 0) Object.assign(features, { liga: 0, clig: 0 });

  const glyphs: SetGlyph[] = [];
  let pen = 0;
  for (const stretch of itemize(text)) {
    const parts = byFont(text.slice(stretch.start, stretch.end), stretch.start, face, fallback, missing, borrowed);
    for (const part of stretch.direction === 'rtl' ? [...parts].reverse() : parts) {
      const instance = part.face.at(part.face === face ? settings.axes : { wght: settings.axes['wght'] ?? 400 });
      const emPerUnit = 1 / instance.metrics.unitsPerEm;
      let lastCluster: number | undefined;
      for (const shaped of instance.shape({ text: part.text, direction: stretch.direction, script: stretch.script, features })) {
        // Joined scripts would be torn apart by tracking, so they are set without (common practice).
        if (glyphs.length > 0 && shaped.cluster !== lastCluster && stretch.script !== 'Arab') pen += tracking;
        lastCluster = shaped.cluster;
        glyphs.push({
          instance,
          glyph: shaped.glyph,
          emPerUnit,
          x: pen + shaped.xOffset * emPerUnit,
          y: -shaped.yOffset * emPerUnit,
          advance: shaped.advance * emPerUnit,
          cluster: part.start + shaped.cluster,
        });
        pen += shaped.advance * emPerUnit;
      }
    }
  }
  return { glyphs, advance: pen, missing: [...missing], borrowed: [...borrowed] };
}
