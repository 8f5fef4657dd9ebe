import { formatHex, parse } from 'culori';
import type { Hex } from '../color/hex';
import {
  boundsOf,
  compose,
  crossingsOf,
  IDENTITY,
  mapPath,
  unite,
  type Affine,
  type Bounds,
  type Cap,
  type FillRule,
  type Join,
  type PathAlgebra,
  type Region,
} from '../geometry';
import { fail, ok, type Problem, type Result } from '../result/result';
import { ownId, share, tintOf, type Tint } from './gradients';
import { SVG_LIMITS } from './limits';
import { lengthOf, outlineOfElement, readTransform } from './outlines';
import { readSvgTree, type SvgElement } from './read-tree';
import { FIRST_STYLE, readSheets, styleOf, type Style } from './style';
import { readText, type SetWords } from './text';

/** One filled outline of a drawing made elsewhere, in the drawing's own unit. */
export interface ImportedPiece extends Region, Tint {}

export interface ImportedDrawing {
  /** Back to front. */
  readonly pieces: readonly ImportedPiece[];
  readonly box: Bounds;
  /** What was not understood and left out, each once. */
  readonly left: readonly string[];
}

/** Elements that draw nothing by themselves. */
const SILENT = new Set([
  'defs',
  'symbol',
  'clipPath',
  'linearGradient',
  'radialGradient',
  'style',
  'title',
  'desc',
  'metadata',
  'stop',
  'view',
  'namedview',
]);
const CONTAINERS = new Set(['svg', 'g', 'a', 'switch']);
const CAPS: Readonly<Record<string, Cap>> = { round: 'round', square: 'square', butt: 'flat' };
const JOINS: Readonly<Record<string, Join>> = { round: 'round', bevel: 'bevel', miter: 'miter' };
/** What is active or comes from elsewhere; never looked into. */
const ACTIVE: Readonly<Record<string, string>> = {
  script: 'a script',
  foreignObject: 'a web page inside the drawing',
  image: 'an embedded or linked picture',
  animate: 'an animation',
  animateTransform: 'an animation',
  animateMotion: 'an animation',
  set: 'an animation',
  handler: 'a script',
  iframe: 'a web page inside the drawing',
  audio: 'sound',
  video: 'a film',
  mask: 'a mask',
  pattern: 'a pattern',
  filter: 'a filter',
  marker: 'markers on lines',
};

class TooMuch extends Error {
  constructor(readonly problem: Problem) {
    super(problem.message);
  }
}

interface Walk {
  readonly byId: ReadonlyMap<string, SvgElement>;
  readonly rules: ReturnType<typeof readSheets>;
  readonly paths: PathAlgebra;
  /** Sets words in the faces that are known. */
  readonly set: SetWords;
  readonly pieces: ImportedPiece[];
  readonly note: (what: string) => void;
  budget: { elements: number; segments: number; crossings: number };
}

interface Place {
  readonly map: Affine;
  readonly style: Style;
  readonly opacity: number;
  readonly clip: Region | undefined;
  readonly uses: number;
}

/** What an outline is painted, where it stands. */
interface Standing {
  readonly box: Bounds | undefined;
  readonly map: Affine;
}

/** A paint as a color or a gradient. */
function colorOf(paint: string, style: Style, walk: Walk, standing: Standing): Tint | undefined {
  const text = paint.trim();
  if (text === '' || text === 'none' || text === 'transparent') return undefined;
  if (/^currentcolor$/i.test(text)) return colorOf(style['color'] ?? '#000000', { ...style, color: '#000000' }, walk, standing);
  if (/^url\(/i.test(text)) {
    const tint = tintOf(ownId(text), walk, standing.box, standing.map);
    if (!tint) walk.note('a paint that is a pattern or comes from elsewhere');
    return tint;
  }
  const read = parse(text);
  const hex = read && formatHex(read);
  if (!hex) {
    walk.note(`the color “${text.slice(0, 40)}”; it is drawn black`);
    return { color: '#000000' as Hex, opacity: 1 };
  }
  const alpha = read.alpha ?? 1;
  return alpha === 0 ? undefined : { color: hex as Hex, opacity: alpha };
}

function spend(walk: Walk, segments: number): void {
  walk.budget.elements--;
  walk.budget.segments -= segments;
  if (walk.budget.elements < 0)
    throw new TooMuch({
      code: 'svg-too-many',
      message: `With everything that is repeated in it, this drawing has more than ${SVG_LIMITS.elements.toLocaleString('en')} elements.`,
      fix: 'Simplify it in the program it was made with.',
    });
  if (walk.budget.segments < 0)
    throw new TooMuch({
      code: 'svg-too-detailed',
      message: `This drawing has more than ${SVG_LIMITS.segments.toLocaleString('en')} lines and curves.`,
      fix: 'Simplify its paths in the program it was made with.',
    });
}

/** Counts crossings against what is left of them, before anything is combined. */
function spendCrossings(walk: Walk, path: Region['path']): void {
  walk.budget.crossings -= crossingsOf(path, walk.budget.crossings + 1);
  if (walk.budget.crossings < 0)
    throw new TooMuch({
      code: 'svg-too-tangled',
      message: `The lines of this drawing cross each other more than ${SVG_LIMITS.crossings.toLocaleString('en')} times.`,
      fix: 'Unite or expand its crossing lines in the program it was made with.',
    });
}

function clipOf(reference: string | undefined, map: Affine, walk: Walk, depth = 0): Region | undefined {
  const id = ownId(reference);
  const clip = id === undefined ? undefined : walk.byId.get(id);
  if (!clip || clip.name !== 'clipPath' || depth > 4) {
    walk.note('a clipping that is not in the drawing');
    return undefined;
  }
  if (clip.attributes['clipPathUnits'] === 'objectBoundingBox') {
    walk.note('a clipping measured in boxes');
    return undefined;
  }
  const own = compose(map, readTransform(clip.attributes['transform']) ?? IDENTITY);
  const regions: Region[] = [];
  const visit = (element: SvgElement, here: Affine, level: number): void => {
    if (level > 8) return;
    const style = styleOf(element, FIRST_STYLE, walk.rules);
    const there = compose(here, readTransform(element.attributes['transform']) ?? IDENTITY);
    const used = element.name === 'use' ? walk.byId.get(ownId(element.attributes['href']) ?? '') : undefined;
    if (used)
      return visit(
        used,
        compose(there, { ...IDENTITY, e: lengthOf(element.attributes['x']), f: lengthOf(element.attributes['y']) }),
        level + 1,
      );
    const path = outlineOfElement(element);
    if (path) {
      spend(walk, path.verbs.length);
      spendCrossings(walk, path);
      regions.push({ path: mapPath(path, there), rule: style['clip-rule'] === 'evenodd' ? 'evenodd' : 'nonzero' });
    }
  };
  for (const child of clip.children) visit(child, own, 0);
  return walk.paths.weld(regions);
}

const isSane = (region: Region): boolean =>
  region.path.coords.every((value) => Number.isFinite(value) && Math.abs(value) <= SVG_LIMITS.coordinate);

function put(walk: Walk, region: Region, tint: Tint, opacity: number, clip: Region | undefined): void {
  if (!isSane(region)) return walk.note('an outline with coordinates beyond all bounds');
  const kept = clip ? walk.paths.combine('intersect', region, clip) : region;
  const box = kept.path.verbs === '' ? undefined : boundsOf(kept.path);
  if (!box || (box.right - box.left === 0 && box.bottom - box.top === 0)) return;
  walk.pieces.push({ ...kept, ...tint, opacity: Math.round(tint.opacity * opacity * 1000) / 1000 });
}

function draw(element: SvgElement, place: Place, walk: Walk): void {
  if (SILENT.has(element.name)) return;
  const active = ACTIVE[element.name] ?? (/^fe[A-Z]/.test(element.name) ? 'a filter' : undefined);
  if (active) return walk.note(active);
  spend(walk, 0);
  const style = styleOf(element, place.style, walk.rules);
  if (style['display'] === 'none') return;
  if (Object.keys(element.attributes).some((name) => /^on/i.test(name))) walk.note('scripts on elements');
  if (element.attributes['filter'] ?? /(^|;)\s*filter\s*:/.exec(element.attributes['style'] ?? '')?.[0]) walk.note('a filter');
  if (element.attributes['mask']) walk.note('a mask');
  const moved = readTransform(element.attributes['transform'] ?? style['transform']);
  if (!moved) walk.note('a transform');
  const map = compose(place.map, moved ?? IDENTITY);
  const opacity = place.opacity * share(style['opacity']);
  const clipped = style['clip-path'] && style['clip-path'] !== 'none' ? clipOf(style['clip-path'], map, walk) : undefined;
  const clip = clipped && place.clip ? walk.paths.combine('intersect', place.clip, clipped) : (clipped ?? place.clip);
  const inside: Place = { map, style, opacity, clip, uses: place.uses };
  if (CONTAINERS.has(element.name)) {
    const shifted =
      element.name === 'svg' && place.uses >= 0 && (element.attributes['x'] ?? element.attributes['y'])
        ? compose(map, { ...IDENTITY, e: lengthOf(element.attributes['x']), f: lengthOf(element.attributes['y']) })
        : map;
    for (const child of element.children) draw(child, { ...inside, map: shifted }, walk);
    return;
  }
  if (element.name === 'use') {
    const reference = element.attributes['href'] ?? '';
    const used = walk.byId.get(ownId(reference) ?? '');
    if (!used)
      return walk.note(
        reference.startsWith('#') ? 'a repetition of something that is not there' : 'a repetition of something from elsewhere',
      );
    if (place.uses >= SVG_LIMITS.uses) return walk.note(`repetitions more than ${SVG_LIMITS.uses} deep`);
    const there = compose(map, { ...IDENTITY, e: lengthOf(element.attributes['x']), f: lengthOf(element.attributes['y']) });
    const next = { ...inside, map: there, uses: place.uses + 1 };
    if (used.name === 'symbol') for (const child of used.children) draw(child, next, walk);
    else draw(used, next, walk);
    return;
  }
  if (element.name === 'text') {
    const { outlines, unknown } = readText(element, style, walk.rules, walk.set);
    for (const { words, family } of unknown)
      walk.note(`the text “${words.slice(0, 40)}” in ${family.slice(0, 60)}, a face that is not here; turn it into outlines first`);
    for (const { path, style: own } of outlines) {
      spend(walk, path.verbs.length);
      const tint = colorOf(own['fill'] ?? 'none', own, walk, { box: boundsOf(path), map });
      if (tint) put(walk, { path: mapPath(path, map), rule: 'nonzero' }, tint, opacity * share(own['fill-opacity']), clip);
    }
    return;
  }
  const path = outlineOfElement(element);
  if (!path) return walk.note(`“${element.name.slice(0, 40)}”`);
  spend(walk, path.verbs.length);
  spendCrossings(walk, path);
  if (style['visibility'] === 'hidden' || path.verbs === '') return;
  const standing = { box: boundsOf(path), map };
  const rule: FillRule = style['fill-rule'] === 'evenodd' ? 'evenodd' : 'nonzero';
  const fill = element.name === 'line' ? undefined : colorOf(style['fill'] ?? 'none', style, walk, standing);
  if (fill) put(walk, { path: mapPath(closed(path), map), rule }, fill, opacity * share(style['fill-opacity']), clip);
  const stroke = colorOf(style['stroke'] ?? 'none', style, walk, standing);
  const width = lengthOf(style['stroke-width'], 1);
  if (!stroke || width <= 0 || !isSane({ path, rule })) return;
  // A stroke is drawn in its own coordinates first: a transform may stretch it.
  const band = walk.paths.band(
    { path, rule },
    width,
    JOINS[style['stroke-linejoin'] ?? ''] ?? 'miter',
    CAPS[style['stroke-linecap'] ?? ''] ?? 'flat',
  );
  put(walk, { ...band, path: mapPath(band.path, map) }, stroke, opacity * share(style['stroke-opacity']), clip);
}

/** Every contour closed, as filling sees them. */
const closed = (path: Region['path']): Region['path'] => ({ verbs: path.verbs.replace(/([LQC])(?=M|$)/g, '$1Z'), coords: path.coords });

/**
 * Reads a drawing made elsewhere: paths, basic shapes, groups, transforms, `use`, clip paths, gradients, strokes (made outlines), presentation and style attributes and simple style sheets.
 * Text becomes outlines where its face is known, and is named where it is not.
 * Nothing active is looked into and nothing is fetched; what comes out is filled outlines in colors and gradients.
 * @returns what was left out is listed; a drawing that is broken, hostile or beyond the limits is refused whole, with the reason
 * @source W3C SVG 2
 */
export function importSvg(markup: string, paths: PathAlgebra, set: SetWords = () => undefined): Result<ImportedDrawing> {
  const tree = readSvgTree(markup);
  if (!tree.ok) return tree;
  const byId = new Map<string, SvgElement>();
  const sheets: string[] = [];
  const left = new Set<string>();
  const index = (element: SvgElement): void => {
    const id = element.attributes['id'];
    if (id !== undefined && !byId.has(id)) byId.set(id, element);
    if (element.name === 'style') sheets.push(element.text);
    for (const child of element.children) index(child);
  };
  index(tree.value);
  const note = (what: string) => void (left.size < 40 && left.add(what));
  const walk: Walk = {
    byId,
    rules: readSheets(sheets, note),
    paths,
    set,
    pieces: [],
    note,
    budget: { elements: SVG_LIMITS.elements, segments: SVG_LIMITS.segments, crossings: SVG_LIMITS.crossings },
  };
  try {
    draw(tree.value, { map: IDENTITY, style: FIRST_STYLE, opacity: 1, clip: undefined, uses: 0 }, walk);
  } catch (error) {
    if (error instanceof TooMuch) return fail(error.problem);
    throw error;
  }
  const box = walk.pieces.reduce<Bounds | undefined>((sum, { path }) => unite(sum, boundsOf(path)), undefined);
  if (!box)
    return fail({
      code: 'svg-empty',
      message: `Nothing in this drawing can be used${left.size > 0 ? `: it holds ${[...left].slice(0, 3).join(', ')}` : ''}.`,
      fix: 'Save it as plain outlines.',
    });
  return ok({ pieces: walk.pieces, box, left: [...left] });
}
