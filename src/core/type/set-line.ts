import { graphemesOf } from './graphemes';
import { isJoined, itemize } from './itemize';
import { casedLetters, type LetterCase } from './letter-case';
import { offersFeature, rangesFor, type FeatureSettings } from './features';
import { createPairKerner, type Kerning } from './kerning/pair-kerner';
import type { LetterSpace, SetGlyph, SetLetter, StandingOutline } from './set-letter';
import type { AxisValues, FeatureRange, Typeface, TypefaceInstance } from './typeface';

/** What one letter has of its own; all else follows the line. */
export interface LetterStyle {
  /** Another font for this letter. */
  readonly face?: Typeface;
  readonly axes?: AxisValues;
  /** Size against the line's; 1 follows it. */
  readonly scale?: number;
  readonly features?: FeatureSettings;
  /** The letter is moved, cut or turned by itself, so that it may not melt into a ligature. */
  readonly alone?: boolean;
  /** The letter as it stands (turned, flipped, raised, cut), where that is not how the font has it: by that outline it is kerned. */
  readonly asItStands?: (letter: SetLetter) => StandingOutline | undefined;
}

/** How a line is to be set; lengths in 1/1000 em. */
export interface LineSettings {
  readonly axes: AxisValues;
  readonly kerning: Kerning;
  readonly trackingPermille: number;
  readonly case?: LetterCase;
  /** Strength of optical kerning in percent: 50 is what designers do, 100 full evenness. */
  readonly opticalPercent?: number;
  readonly features?: FeatureSettings;
  /** What a letter, counted in typed letters, has of its own. */
  readonly letterStyle?: (index: number) => LetterStyle | undefined;
  /** The hand adjustment after a typed letter, between it and the next. */
  readonly gapAfter?: (index: number) => number | undefined;
}

export interface SetLine {
  /** In drawing order, left to right. */
  readonly letters: readonly SetLetter[];
  readonly glyphs: readonly SetGlyph[];
  /** Sum of the advances with tracking between letters (none after the last), in ems. */
  readonly advance: number;
  /** Letters that neither the font nor its fallback has; they are left out of the line, never drawn as boxes. */
  readonly missing: readonly string[];
  /** Letters that came from the fallback. */
  readonly borrowed: readonly string[];
  /** Ligatures that were opened because something happens inside them. */
  readonly opened: readonly string[];
}

const isVisible = (codePoint: number): boolean => !/^[\p{Cc}\p{Cf}\p{Zl}\p{Zp}]$/u.test(String.fromCodePoint(codePoint));
const hasAll = (face: Typeface, letter: string): boolean =>
  [...letter].every((character) => {
    const codePoint = character.codePointAt(0) as number;
    return !isVisible(codePoint) || face.covers(codePoint);
  });
const has = (face: Typeface, letter: string): boolean => hasAll(face, letter) || hasAll(face, letter.normalize('NFC'));

/** The letters of a text that a font lacks, each once, in order. A letter counts with its marks, composed or not. */
export const missingLetters = (face: Typeface, text: string): readonly string[] => [
  ...new Set(
    graphemesOf(text)
      .map((grapheme) => grapheme.text)
      .filter((letter) => !has(face, letter)),
  ),
];

/** A letter that is ready to be shaped: which font has it, and where it stands in the cased text. */
interface ReadyLetter {
  readonly index: number;
  readonly text: string;
  readonly start: number;
  readonly face: Typeface;
  readonly axes: AxisValues;
  readonly scale: number;
  readonly style: LetterStyle | undefined;
}

/** Letters next to each other that are shaped as one. */
interface Run {
  readonly letters: readonly ReadyLetter[];
  readonly text: string;
  readonly direction: 'ltr' | 'rtl';
  readonly script: string;
}

const sameFont = (one: ReadyLetter, other: ReadyLetter): boolean =>
  one.face === other.face &&
  one.scale === other.scale &&
  (one.axes === other.axes || JSON.stringify(one.axes) === JSON.stringify(other.axes));

/**
 * Sets one line of text: directions and scripts told apart, shaped by HarfBuzz, kerned and tracked.
 * Tracking goes between letters, never inside a letter with its marks; with tracking, optional ligatures are off (common practice).
 * @param fallback where letters come from that `face` lacks
 */
export function setLine(face: Typeface, text: string, settings: LineSettings, fallback?: Typeface): SetLine {
  const missing = new Set<string>();
  const borrowed = new Set<string>();
  const typed = casedLetters(text, settings.case ?? 'typed');
  const ready: ReadyLetter[] = [];
  let start = 0;
  for (const [index, letter] of typed.entries()) {
    const style = settings.letterStyle?.(index);
    const own = style?.face ?? face;
    const from = has(own, letter)
      ? own
      : own !== face && has(face, letter)
        ? face
        : fallback && has(fallback, letter)
          ? fallback
          : undefined;
    if (!from) missing.add(letter);
    else {
      if (from === fallback && from !== own) borrowed.add(letter);
      const axes = from === own ? (style?.axes ?? settings.axes) : from === face ? settings.axes : { wght: settings.axes['wght'] ?? 400 };
      ready.push({ index, text: letter, start, face: from, axes, scale: style?.scale ?? 1, style });
    }
    start += letter.length;
  }

  const tracking = settings.trackingPermille / 1000;
  const features = { ...(settings.case === 'small-caps' ? { smcp: 1 } : {}), ...settings.features };
  const kerner = createPairKerner(settings.kerning, settings.opticalPercent ?? 50, features);
  const opened = new Set<string>();
  const letters: SetLetter[] = [];
  let pen = 0;
  let lastJoined = false;
  for (const run of runsOf(typed.join(''), ready)) {
    const instance = (run.letters[0] as ReadyLetter).face.at((run.letters[0] as ReadyLetter).axes);
    const emPerUnit = (run.letters[0] as ReadyLetter).scale / instance.metrics.unitsPerEm;
    const joined = isJoined(run.script);
    for (const cluster of shapeRun(run, instance, features, settings, tracking !== 0, opened)) {
      const before = letters.at(-1);
      let added: LetterSpace | undefined;
      if (before) {
        const hand = settings.gapAfter?.(run.direction === 'rtl' ? cluster.letter.index : before.index + before.count - 1) ?? 0;
        added = { tracking: joined && lastJoined ? 0 : tracking, optical: 0, hand: hand / 1000 };
      }
      lastJoined = joined;
      const glyphs = cluster.glyphs.map((glyph) => ({
        instance,
        glyph: glyph.glyph,
        emPerUnit,
        x: glyph.pen * emPerUnit + glyph.xOffset * emPerUnit,
        y: -glyph.yOffset * emPerUnit,
        advance: glyph.advance * emPerUnit,
        cluster: cluster.letter.start,
      }));
      const letter = {
        index: cluster.letter.index,
        count: cluster.count,
        text: cluster.text,
        face: cluster.letter.face,
        axes: cluster.letter.axes,
        instance,
        scale: cluster.letter.scale,
        stands: undefined as StandingOutline | undefined,
        x: 0,
        advance: cluster.advance * emPerUnit,
        glyphs,
        added,
      };
      if (settings.kerning === 'optical') letter.stands = cluster.letter.style?.asItStands?.(letter);
      if (before && added && !joined && !(onGrid(before) && onGrid(letter))) {
        const optical = kerner(before, letter) / 1000;
        letter.added = { ...added, optical };
      }
      pen += letter.added ? letter.added.tracking + letter.added.optical + letter.added.hand : 0;
      letters.push({ ...letter, x: pen, glyphs: glyphs.map((glyph) => ({ ...glyph, x: glyph.x + pen })) });
      pen += letter.advance;
    }
  }
  return {
    letters,
    glyphs: letters.flatMap((letter) => letter.glyphs),
    advance: pen,
    missing: [...missing],
    borrowed: [...borrowed],
    opened: [...opened],
  };
}

/** Faces whose letters all have one width keep their grid: optical kerning leaves them alone. */
const onGrid = ({ face }: { readonly face: Typeface }): boolean => face.monospaced === true;

/** Cuts a line where direction, script, font or size changes, in drawing order. */
function runsOf(text: string, ready: readonly ReadyLetter[]): readonly Run[] {
  return itemize(text).flatMap((stretch): readonly Run[] => {
    const runs: { letters: ReadyLetter[]; text: string; direction: 'ltr' | 'rtl'; script: string }[] = [];
    for (const letter of ready) {
      if (letter.start < stretch.start || letter.start >= stretch.end) continue;
      const last = runs.at(-1);
      const before = last?.letters.at(-1);
      if (last && before && sameFont(before, letter) && before.start + before.text.length === letter.start) {
        last.letters.push(letter);
        last.text += letter.text;
      } else runs.push({ letters: [letter], text: letter.text, direction: stretch.direction, script: stretch.script });
    }
    return stretch.direction === 'rtl' ? runs.reverse() : runs;
  });
}

interface Cluster {
  readonly letter: ReadyLetter;
  readonly count: number;
  readonly text: string;
  readonly advance: number;
  readonly glyphs: readonly {
    readonly glyph: number;
    readonly pen: number;
    readonly advance: number;
    readonly xOffset: number;
    readonly yOffset: number;
  }[];
}

/** Features that melt letters together for looks, not because the script asks for it. */
const LIGATURES = ['liga', 'clig', 'dlig', 'hlig'];

/** Shapes a run and gathers its glyphs by the letter they stand for. */
function shapeRun(
  run: Run,
  instance: TypefaceInstance,
  features: FeatureSettings,
  settings: LineSettings,
  tracked: boolean,
  opened: Set<string>,
): readonly Cluster[] {
  const origin = (run.letters[0] as ReadyLetter).start;
  const face = (run.letters[0] as ReadyLetter).face;
  const whole: Record<string, number> = {};
  if (settings.kerning !== 'font') whole['kern'] = 0;
  if (tracked) Object.assign(whole, { liga: 0, clig: 0 });
  for (const [tag, value] of Object.entries(features)) if (offersFeature(face, tag)) whole[tag] = value;
  const ranges: FeatureRange[] = run.letters.flatMap(({ style, start, text }) =>
    rangesFor(style?.features, face, start - origin, start - origin + text.length),
  );
  const shape = (more: readonly FeatureRange[]) =>
    gather(
      run,
      instance.shape({ text: run.text, direction: run.direction, script: run.script, features: whole, ranges: [...ranges, ...more] }),
    );

  const first = shape([]);
  // A ligature is opened where something happens to one of its letters or to a gap inside it.
  const torn = first.filter(({ letter, count }) => {
    if (count === 1) return false;
    const inside = run.letters.filter(({ index }) => index >= letter.index && index < letter.index + count);
    return inside.some(({ index, style }, at) => style?.alone || (at < inside.length - 1 && (settings.gapAfter?.(index) ?? 0) !== 0));
  });
  if (torn.length === 0) return first;
  for (const { text } of torn) opened.add(text);
  return shape(
    torn.flatMap(({ letter, text }) =>
      LIGATURES.map((tag) => ({ tag, value: 0, start: letter.start - origin, end: letter.start - origin + text.length })),
    ),
  );
}

function gather(run: Run, shaped: ReturnType<TypefaceInstance['shape']>): readonly Cluster[] {
  const origin = (run.letters[0] as ReadyLetter).start;
  const starts = [...new Set(shaped.map(({ cluster }) => cluster))].sort((a, b) => a - b);
  const clusters: {
    letter: ReadyLetter;
    count: number;
    text: string;
    advance: number;
    glyphs: Cluster['glyphs'][number][];
    start: number;
  }[] = [];
  for (const glyph of shaped) {
    let cluster = clusters.at(-1);
    if (!cluster || cluster.start !== glyph.cluster) {
      const end = starts.find((other) => other > glyph.cluster) ?? run.text.length;
      const covered = run.letters.filter(({ start }) => start - origin >= glyph.cluster && start - origin < end);
      // A cluster that begins inside a letter belongs to that letter.
      const letter = covered[0] ?? (run.letters.findLast(({ start }) => start - origin <= glyph.cluster) as ReadyLetter);
      if (cluster && covered.length === 0 && cluster.letter === letter) cluster.start = glyph.cluster;
      else {
        cluster = {
          letter,
          count: Math.max(1, covered.length),
          text: covered.map(({ text }) => text).join('') || letter.text,
          advance: 0,
          glyphs: [],
          start: glyph.cluster,
        };
        clusters.push(cluster);
      }
    }
    cluster.glyphs.push({
      glyph: glyph.glyph,
      pen: cluster.advance,
      advance: glyph.advance,
      xOffset: glyph.xOffset,
      yOffset: glyph.yOffset,
    });
    cluster.advance += glyph.advance;
  }
  return clusters;
}
