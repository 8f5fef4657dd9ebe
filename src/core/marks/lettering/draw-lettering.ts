import {
  apply,
  boundsOf,
  centerOf,
  compose,
  IDENTITY,
  invert,
  mapPath,
  translation,
  warpPath,
  type Affine,
  type Bounds,
  type Region,
} from '../../geometry';
import { restingValue, type FontShelf, type Typeface, type WrappedLine } from '../../type';
import { pathData } from '../../output/path-data';
import type { Problem } from '../../result/result';
import type { Paint } from '../drawing/paint';
import type { CutFrame, DrawContext, LetterPlace, PartPicture } from '../part-kind';
import type { PaintedFill, PaintedNode } from '../drawing/painted';
import { beltAround } from './belts';
import { asCut, cutOutline, cutsOf, letterIs } from './cut-letters';
import { prepareCut } from './cuts';
import { fitLine } from './fit';
import { inColumn } from './in-column';
import {
  NOT_TYPED,
  flushLine,
  inkOfLetters,
  linesOf,
  setFlatLine,
  stackLines,
  type FlatLetter,
  type FlatLine,
  type FlatText,
  type LineSetting,
  type TextFaces,
} from './flat-text';
import { placeOnLine, type Circle } from './line-placing';
import { companionOf, followedCircle, followedCurve, targetOf } from './followed';
import { noticesOf } from './notices';
import type { Lettering } from './schema';
import { circleFacts, originOf, placeOf } from './standing';
import { touchLetters } from './touch';
import { underlines } from './underline';

/** Bent outlines stay within this of their true image, in mark pixels. */
const BEND_PX = 0.02;

/** The faces a lettering is set in, or why it cannot be. */
function facesOf(part: Lettering, shelf: FontShelf): { readonly faces?: TextFaces; readonly notices: readonly Problem[] } {
  const face = shelf.find(part.font);
  if (!face.ok) return { notices: face.problems };
  const lender = part.fallback ? shelf.find({ family: part.fallback, style: 'normal', axes: {} }) : undefined;
  const strangers = part.letters.flatMap(({ font }) => {
    const found = font && shelf.find(font);
    return found && !found.ok ? found.problems : [];
  });
  return {
    faces: { face: face.value, fallback: lender?.ok ? lender.value : undefined, shelf },
    notices: [...(lender && !lender.ok ? lender.problems : []), ...strangers],
  };
}

const metric = (face: Typeface, part: Lettering, name: 'capHeight' | 'xHeight'): number => {
  const { metrics } = face.at(part.font.axes);
  return (metrics[name] * 1000) / metrics.unitsPerEm;
};

/** The lines of a lettering, fitted, stacked and brought to touch, before they are bent. */
function flatText(part: Lettering, sizePx: number, faces: TextFaces, context: DrawContext, capHeight: number, circle: Circle | undefined) {
  const notices: Problem[] = [];
  const missing = new Set<string>();
  const borrowed = new Set<string>();
  const opened = new Set<string>();
  const set = (line: WrappedLine, setting: LineSetting): FlatLine => {
    const made = setFlatLine(part, line, setting, faces);
    for (const letter of made.missing) missing.add(letter);
    for (const letter of made.borrowed) borrowed.add(letter);
    for (const letters of made.opened) opened.add(letters);
    return made.line;
  };
  const start: LineSetting = { size: 1, trackingPermille: part.trackingPermille, axes: part.font.axes };
  if (part.wrap && part.line.shape === 'straight') {
    const wrapped = inColumn(part, part.wrap, sizePx, set);
    notices.push(...wrapped.notices);
    return { text: { lines: wrapped.lines, missing: [...missing], borrowed: [...borrowed], opened: [...opened] }, notices };
  }
  const typed = linesOf(part.text);
  const target = part.fit && targetOf(part, sizePx, context, capHeight, circle);
  if (target && 'notice' in target) notices.push(target.notice);
  const settings = typed.map(() => start);
  if (part.fit && target && 'width' in target) {
    const { by } = part.fit;
    const widthOf = (line: { readonly text: string; readonly first: number }, setting: LineSetting) => {
      const flat = setFlatLine(part, line, setting, faces).line;
      if (target.advance) return (flat.advance * sizePx) / 1000;
      const ink = inkOfLetters(flat.letters);
      return ink ? ((ink.right - ink.left) * sizePx) / 1000 : 0;
    };
    const axisStart = (tag: string) => {
      const axis = faces.face.axes.find((each) => each.tag === tag);
      return axis && restingValue(axis);
    };
    const fitted = (measure: (setting: LineSetting) => number) => fitLine(start, target.width, by, sizePx, axisStart, measure);
    let reached = true;
    if (part.eachLine)
      typed.forEach((line, index) => {
        if (line.text.trim() === '') return;
        const own = fitted((setting) => widthOf(line, setting));
        settings[index] = own.setting;
        reached &&= own.reached;
      });
    else {
      const all = fitted((setting) => Math.max(...typed.map((line) => widthOf(line, setting))));
      settings.fill(all.setting);
      reached = all.reached;
    }
    if (target.height !== undefined)
      shrinkTo(target.height, settings, sizePx, part, (setting, index) => set(typed[index] as never, setting));
    if (!reached && part.text.trim() !== '')
      notices.push({
        code: 'fit-not-reached',
        message: 'Within its limits this line cannot be brought to the width it is fitted to.',
        fix: 'Widen the limits, or allow another means.',
      });
  }
  let lines = typed.map((line, index) => set(line, settings[index] ?? start));
  // Lines that are all brought to one width stand flush with their ink, not with their bearings.
  if (part.fit && part.eachLine && lines.length > 1) lines = lines.map((line) => flushLine(line, part.align));
  if (part.touch) {
    const { touch } = part;
    lines = lines.map((line) => {
      const touched = touchLetters(line.letters, touch);
      if (touched.apart.length > 0)
        notices.push({
          code: 'letters-apart',
          message: `${touched.apart.map((pair) => `“${pair}”`).join(', ')} cannot meet within the limits.`,
          fix: 'Allow them to move or turn farther.',
        });
      return { ...line, letters: touched.letters };
    });
  }
  const text: FlatText = {
    lines: stackLines(lines, part.leadingPermille),
    missing: [...missing],
    borrowed: [...borrowed],
    opened: [...opened],
  };
  return { text, notices };
}

/** A panel is filled in height as well: lines that are too tall for it all become smaller. */
function shrinkTo(
  heightPx: number,
  settings: LineSetting[],
  sizePx: number,
  part: Lettering,
  set: (setting: LineSetting, index: number) => FlatLine,
): void {
  for (let tries = 0; tries < 3; tries++) {
    const ink = inkOfLetters(stackLines(settings.map(set), part.leadingPermille).flatMap(({ letters }) => letters));
    const height = ink ? ((ink.bottom - ink.top) * sizePx) / 1000 : 0;
    if (height <= heightPx * 1.0001) return;
    for (const [index, setting] of settings.entries()) settings[index] = { ...setting, size: (setting.size * heightPx) / height };
  }
}

/** A map as part of a key: what differs by less than a millionth is the same. */
const rounded = (map: Affine): string =>
  Object.values(map)
    .map((value: number) => value.toFixed(6))
    .join();

/** A letter with its own cuts, in its own plane, and how it is filled. */
function ownRegion(part: Lettering, letter: FlatLetter, context: DrawContext): { readonly region: Region; readonly key: string } {
  const outline = letter.look?.outlinePermille;
  let { region, key } = cutOutline(letter.outline, cutsOf(part, letter.index), context);
  if (outline !== undefined && letter.outline.path.verbs !== '') {
    const before = region;
    key += ` outline ${outline}`;
    region = context.remember(key, () => context.paths.band(before, outline, 'miter'));
  }
  return { region, key };
}

/** Draws a lettering on its own origin: the middle (start, end) of its baseline, the crown of its arch, or the center of its ring. */
export function drawLettering(part: Lettering, context: DrawContext): PartPicture {
  const found = facesOf(part, context.fonts);
  if (!found.faces) return { nodes: [], notices: found.notices };
  const faces: TextFaces = { ...found.faces, cut: (letter, index) => asCut(part, letter, index, context) };
  const companion = companionOf(part, context);
  const sizePx = companion && 'sizePx' in companion ? (companion.sizePx as number) : part.sizePx;
  const capHeight = metric(faces.face, part, 'capHeight');
  const { circle, notices: ringNotices } = followedCircle(part, context);
  const { curve, notices: curveNotices } = followedCurve(part, context);
  const { text, notices: textNotices } = flatText(part, sizePx, faces, context, capHeight, circle);
  const letters = text.lines.flatMap((line) => line.letters);
  const flatInk = inkOfLetters(letters);
  const placing = placeOnLine(part, text, sizePx, capHeight, flatInk, circle, curve);
  const toPx: Affine = { a: sizePx / 1000, b: 0, c: 0, d: sizePx / 1000, e: 0, f: 0 };

  // The box of cuts through the whole line: its advance and its capitals, which no letter's own ways change.
  const lineBox = {
    left: Math.min(...text.lines.map(({ letters: own }) => own[0]?.left ?? 0)),
    right: Math.max(...text.lines.map(({ letters: own }) => own.at(-1)?.right ?? 0)),
    top: -capHeight * (text.lines[0]?.size ?? 1),
    bottom: text.lines.at(-1)?.baseline ?? 0,
  };
  const nodes: PaintedNode[] = [];
  const treatedNotices: Problem[] = [];
  const places: LetterPlace[] = [];
  const whole = part.cuts.filter(({ at }) => at === null);
  const fill = ({ path, rule }: Region, paint: Paint, opacity: number): PaintedFill => ({ kind: 'fill', path, rule, paint, opacity });
  const tolerance = (BEND_PX * 1000) / sizePx;
  /** From flat text to the part's pixels: rigid where letters keep their form, else bent. @param key names the region, so that its bend can be remembered */
  const placed = (region: Region, map: Affine, letter: FlatLetter, key?: string): Region => {
    const rigid = placing.rigid?.(letter);
    const { warp } = placing;
    const keeps = (to: Affine): Region => ({
      ...region,
      path: key === undefined ? mapPath(region.path, to) : context.remember(`${key} to ${rounded(to)}`, () => mapPath(region.path, to)),
    });
    if (rigid && !placing.bends && key !== undefined) return keeps(compose(toPx, compose(rigid, map)));
    if (!warp) return keeps(compose(toPx, map));
    const anchored = placing.bentAtAnchor;
    if (rigid && anchored && key !== undefined) {
      // On a circle a letter is bent once, at the anchor, and turned to its place.
      const middle = (letter.left + letter.right) / 2;
      const home = compose(translation(-middle, 0), map);

      const path = context.remember(`${key} bent ${anchored.key} ${tolerance} ${rounded(home)}`, () =>
        warpPath(mapPath(region.path, home), anchored.warp, tolerance),
      );
      const there = compose(toPx, compose(rigid, translation(middle, 0)));
      return {
        ...region,
        path: context.remember(`${key} bent ${anchored.key} ${tolerance} ${rounded(home)} to ${rounded(there)}`, () =>
          mapPath(path, there),
        ),
      };
    }
    return { ...region, path: mapPath(warpPath(mapPath(region.path, map), warp, tolerance), toPx) };
  };

  /** Where a plane lies that is mapped into the flat text, as seen from a place in it. */
  const planeAt = (box: Bounds, map: Affine, letter?: FlatLetter): Affine => {
    const rigid = letter && placing.rigid?.(letter);
    if (rigid && !placing.bends) return compose(toPx, compose(rigid, map));
    if (!placing.warp) return compose(toPx, map);
    const middle = apply(map, centerOf(box));
    const at = placing.warp(middle.x, middle.y);
    const tangent: Affine = { a: at.acrossX, b: at.acrossY, c: at.downX, d: at.downY, e: at.x, f: at.y };
    return compose(toPx, compose(tangent, compose(translation(-middle.x, -middle.y), map)));
  };
  const frames: CutFrame[] = whole.map(({ id }) => ({ id, box: lineBox, map: planeAt(lineBox, IDENTITY) }));
  for (const letter of letters) {
    const own = [...part.cuts, ...part.belts].filter(({ at }) => at?.index === letter.index && letterIs(part, letter.index, at.letter));
    const box = own.length > 0 ? boundsOf(letter.outline.path) : undefined;
    if (box) frames.push(...own.map(({ id }) => ({ id, box, map: planeAt(box, letter.map, letter) })));
  }

  for (const letter of letters) {
    if (letter.outline.path.verbs === '' || letter.look?.hidden) {
      if (letter.index !== NOT_TYPED) places.push(placeOf(letter, placing, toPx, capHeight, undefined));
      continue;
    }
    const { region: own, key } = ownRegion(part, letter, context);
    let drawnKey = key;
    let region = own;
    let { map } = letter;
    let back: Affine | undefined;
    if (whole.length > 0) {
      // Cuts through the whole line are made in the flat text, so that they bend with it; seen from the letter, so that one that has only moved is known again.
      const home = compose(translation(-letter.left, 0), map);
      const around = { ...lineBox, left: lineBox.left - letter.left, right: lineBox.right - letter.left };
      region = { ...own, path: mapPath(own.path, home) };
      back = invert(home);
      drawnKey += ` at ${rounded(home)}`;
      for (const cut of whole) {
        const before = region;
        const made = prepareCut(cut, around, boundsOf(before.path));
        if (!made) continue;
        drawnKey += ` ${made.key}`;
        region = context.remember(drawnKey, () => made.apply(before, context.paths));
      }
      map = translation(letter.left, 0);
    }
    const shown = placed(region, map, letter, drawnKey);
    if (letter.index !== NOT_TYPED) places.push(placeOf(letter, placing, toPx, capHeight, boundsOf(shown.path)));
    const drawn = fill(shown, letter.look?.paint ?? part.paint, letter.look?.opacity ?? 1);
    const { treatments = [] } = letter.look ?? {};
    if (treatments.length === 0) nodes.push(drawn);
    else {
      const treated = context.treated(
        [drawn],
        treatments,
        `letter ${JSON.stringify([drawn.paint, drawn.opacity])} ${pathData(shown.path)}`,
      );
      nodes.push(...treated.nodes);
      treatedNotices.push(...treated.notices);
    }
    for (const belt of part.belts) {
      const box = boundsOf(letter.outline.path);
      if (belt.at.index !== letter.index || !box || !letterIs(part, letter.index, belt.at.letter)) continue;
      const { id: _id, at: _at, paint, ...numbers } = belt;
      // Around the letter as it is cut and pushed, its own cuts and those through the whole line alike.
      const cutLetter = back ? { ...region, path: mapPath(region.path, back) } : own;
      const beltKey = `${back ? drawnKey : key} belt ${JSON.stringify(numbers)}`;
      const ring = context.remember(beltKey, () => beltAround(cutLetter, belt, box, context.paths));
      if (ring.path.verbs !== '') nodes.push(fill(placed(ring, letter.map, letter, beltKey), paint ?? letter.look?.paint ?? part.paint, 1));
    }
  }
  if (letters.some(({ look }) => look?.underlined))
    for (const line of text.lines)
      for (const { region, first } of underlines(line.letters, context.paths))
        nodes.push(fill(placed(region, IDENTITY, first), first.look?.paint ?? part.paint, 1));

  const advancePx = (Math.max(0, ...text.lines.map(({ advance }) => advance)) * sizePx) / 1000;
  const ring = part.line.shape === 'arc' ? circleFacts(part, circle, capHeight, sizePx, placing) : undefined;
  return {
    nodes,
    notices: [
      ...found.notices,
      ...(companion && 'notice' in companion ? [companion.notice as Problem] : []),
      ...ringNotices,
      ...curveNotices,
      ...noticesOf(part, text, faces.face, context.fonts),
      ...textNotices,
      ...placing.notices,
      ...treatedNotices,
    ],
    ...(curve ? { origin: curve.origin } : originOf(part, circle, companion, nodes)),
    lettering: {
      sizePx,
      advancePx,
      capHeightPx: (capHeight * sizePx) / 1000,
      xHeightPx: (metric(faces.face, part, 'xHeight') * sizePx) / 1000,
      letters: places,
      frames,
      families: [
        ...new Set([
          ...letters.flatMap((letter) => (letter.outline.path.verbs === '' ? [] : [letter.look?.font?.family ?? part.font.family])),
          ...(part.fallback && text.borrowed.length > 0 ? [part.fallback] : []),
        ]),
      ],
      ...(part.line.shape === 'envelope' && flatInk
        ? { envelope: { left: flatInk.left * toPx.a, right: flatInk.right * toPx.a, capHeight: capHeight * toPx.a } }
        : {}),
      ...(ring ? { circle: ring } : {}),
      ...(part.line.shape === 'curve' ? { curve: curve?.points ?? part.line.points } : {}),
    },
  };
}
