import type { Hex } from '../../color/hex';
import {
  boundsOf,
  compose,
  framePath,
  IDENTITY,
  isIdentity,
  NUMBERS_OF,
  type Affine,
  type Bounds,
  type FillRule,
  type Path,
  type Verb,
} from '../../geometry';
import type { Blend, Drawing, DrawingNode, Fill, Gradient, Group, PictureFill } from '../../marks';
import { written } from '../path-data';
import type { PdfInk } from './inks';
import { shadingOf, type Shading } from './shading';

/** A state that things are painted in. @source ISO 32000-1, 8.4.5 "Graphics state parameter dictionaries", 11.3.5 "Blend mode" */
export interface PdfState {
  readonly opacity?: number;
  readonly blend?: Blend;
  /** How much lets through: light where it is painted. */
  readonly mask?: PdfForm;
}

/** A pattern that is a shading. */
export interface PdfPattern {
  readonly shading: Shading;
  readonly space: 'rgb' | 'cmyk' | 'gray';
  /** From the shading's plane to the plane that the content began in. */
  readonly map: Affine;
}

/** A piece of content with all that it names: what a PDF calls a form. */
export interface PdfForm {
  readonly content: string;
  /** Nothing is painted outside of it. */
  readonly box: Bounds;
  readonly states: ReadonlyMap<string, PdfState>;
  readonly patterns: ReadonlyMap<string, PdfPattern>;
  /** Spot colors by the name they are called by inside. */
  readonly spots: ReadonlyMap<string, PdfInk & { readonly spot: string }>;
  /** Digests of pictures. */
  readonly pictures: ReadonlyMap<string, string>;
  /** Painted as one. */
  readonly groups: ReadonlyMap<string, PdfForm>;
}

/** A box that holds all that a page may show, whatever it is mapped by: forms are cut to their boxes. */
const EVERYWHERE: Bounds = { left: -1e6, top: -1e6, right: 1e6, bottom: 1e6 };

const factor = (value: number) => {
  const text = String(Number(value.toFixed(9)));
  return text.includes('e') ? '0' : text;
};
const matrix = ({ a, b, c, d, e, f }: Affine) => `${factor(a)} ${factor(b)} ${factor(c)} ${factor(d)} ${factor(e)} ${factor(f)}`;

/** A path in a PDF's operators; it knows cubic curves only. @source ISO 32000-1, 8.5.2, table 59 */
function pathOperators({ verbs, coords }: Path): string {
  const lines: string[] = [];
  let at = 0;
  let [x, y] = [0, 0];
  for (const verb of verbs as Iterable<Verb>) {
    const numbers = coords.slice(at, at + NUMBERS_OF[verb]);
    at += numbers.length;
    if (verb === 'Z') {
      lines.push('h');
      continue;
    }
    const [endX, endY] = [numbers.at(-2) as number, numbers.at(-1) as number];
    if (verb === 'Q') {
      const [midX, midY] = numbers as [number, number];
      const third = (end: number, middle: number) => end + (2 / 3) * (middle - end);
      lines.push(`${[third(x, midX), third(y, midY), third(endX, midX), third(endY, midY), endX, endY].map(written).join(' ')} c`);
    } else lines.push(`${numbers.map(written).join(' ')} ${verb === 'C' ? 'c' : verb === 'M' ? 'm' : 'l'}`);
    [x, y] = [endX, endY];
  }
  return lines.join('\n');
}

const fillOperator = (rule: FillRule) => (rule === 'evenodd' ? 'f*' : 'f');
const clipOperator = (rule: FillRule) => (rule === 'evenodd' ? 'W* n' : 'W n');

/** Writes one piece of content. */
class Content {
  readonly #lines: string[] = [];
  readonly #states = new Map<string, PdfState>();
  readonly #patterns = new Map<string, PdfPattern>();
  readonly #spots = new Map<string, PdfInk & { readonly spot: string }>();
  readonly #pictures = new Map<string, string>();
  readonly #groups = new Map<string, PdfForm>();

  constructor(
    readonly inkOf: (hex: Hex) => PdfInk,
    readonly box: Bounds,
  ) {}

  form(): PdfForm {
    return {
      content: this.#lines.join('\n'),
      box: this.box,
      ...{ states: this.#states, patterns: this.#patterns, spots: this.#spots, pictures: this.#pictures, groups: this.#groups },
    };
  }

  line(operators: string): void {
    if (operators !== '') this.#lines.push(operators);
  }

  #named<T>(table: Map<string, T>, letter: string, value: T, same: (one: T) => boolean): string {
    for (const [name, known] of table) if (same(known)) return name;
    const name = `${letter}${table.size + 1}`;
    table.set(name, value);
    return name;
  }

  setState(state: PdfState): void {
    const name = this.#named(
      this.#states,
      'S',
      state,
      (one) => !one.mask && !state.mask && one.opacity === state.opacity && one.blend === state.blend,
    );
    this.line(`/${name} gs`);
  }

  /** Says in which color is filled. */
  setInk(hex: Hex): void {
    const ink = this.inkOf(hex);
    const { spot, components, space } = ink;
    if (spot !== undefined) {
      const name = this.#named(this.#spots, 'C', { ...ink, spot }, (one) => one.spot === spot);
      this.line(`/${name} cs 1 scn`);
    } else this.line(`${components.map((each) => factor(Number(each.toFixed(5)))).join(' ')} ${space === 'rgb' ? 'rg' : 'k'}`);
  }

  setPattern(pattern: PdfPattern): void {
    this.line(`/Pattern cs /${this.#named(this.#patterns, 'P', pattern, () => false)} scn`);
  }

  paintPicture(sha256: string): void {
    this.line(`/${this.#named(this.#pictures, 'I', sha256, (one) => one === sha256)} Do`);
  }

  paintGroup(form: PdfForm): void {
    this.line(`/${this.#named(this.#groups, 'G', form, () => false)} Do`);
  }
}

/** What a page's colors need to be said in: one space for a whole gradient. */
function stopComponents(content: Content, gradient: Gradient) {
  const inks = new Map(gradient.stops.map((stop) => [stop, content.inkOf(stop.color)]));
  const space = [...inks.values()].some((ink) => ink.space === 'cmyk') ? ('cmyk' as const) : ('rgb' as const);
  return { space, components: (stop: Gradient['stops'][number]) => (inks.get(stop) as PdfInk).components };
}

function paintFill(content: Content, { path, rule, color, gradient, opacity }: Fill, plane: Affine): void {
  if (path.verbs === '') return;
  const stops = gradient?.stops ?? [];
  const even = stops.every((stop) => stop.opacity === stops[0]?.opacity);
  const shown = opacity * (gradient && even ? (stops[0]?.opacity ?? 1) : 1);
  const passing = gradient && !even;
  content.line('q');
  if (shown < 1) content.setState({ opacity: shown });
  if (gradient) {
    if (passing) {
      const box = boundsOf(path) ?? EVERYWHERE;
      const mask = new Content(content.inkOf, box);
      mask.setPattern({ shading: shadingOf(gradient, path, (stop) => [stop.opacity]), space: 'gray', map: gradient.map });
      mask.line(
        `${pathOperators(framePath({ a: box.right - box.left, b: 0, c: 0, d: box.bottom - box.top, e: box.left, f: box.top }))}\nf`,
      );
      content.setState({ mask: mask.form() });
    }
    const { space, components } = stopComponents(content, gradient);
    content.setPattern({ shading: shadingOf(gradient, path, components), space, map: compose(plane, gradient.map) });
  } else content.setInk(color);
  content.line(`${pathOperators(path)}\n${fillOperator(rule)}\nQ`);
}

/** A picture's own plane has its first row on top; a PDF's has it at the bottom. @source ISO 32000-1, 8.9.5.1 */
const UPRIGHT: Affine = { a: 1, b: 0, c: 0, d: -1, e: 0, f: 1 };

function paintPicture(content: Content, { sha256, map, path, rule, opacity }: PictureFill): void {
  content.line('q');
  if (opacity < 1) content.setState({ opacity });
  content.line(`${pathOperators(path)}\n${clipOperator(rule)}`);
  content.line(`${matrix(compose(map, UPRIGHT))} cm`);
  content.paintPicture(sha256);
  content.line('Q');
}

function paintGroup(content: Content, { transform, opacity, blend, clip, children }: Group, plane: Affine): void {
  if (children.length === 0) return;
  const inner = compose(plane, transform);
  content.line('q');
  if (!isIdentity(transform)) content.line(`${matrix(transform)} cm`);
  if (clip) content.line(`${pathOperators(clip.path)}\n${clipOperator(clip.rule)}`);
  if (opacity < 1 || blend !== 'normal') {
    content.setState({ opacity, blend });
    const form = new Content(content.inkOf, EVERYWHERE);
    // A form begins in the plane that it is painted in.
    for (const child of children) paint(form, child, IDENTITY);
    content.paintGroup(form.form());
  } else for (const child of children) paint(content, child, inner);
  content.line('Q');
}

function paint(content: Content, node: DrawingNode, plane: Affine): void {
  if (node.kind === 'group') paintGroup(content, node, plane);
  else if (node.kind === 'fill') paintFill(content, node, plane);
  else paintPicture(content, node);
}

export interface PdfPageOptions {
  /** What the page shows, in the mark's plane. */
  readonly box: Bounds;
  /** In points of 1/72 inch. */
  readonly widthPt: number;
  readonly heightPt: number;
  readonly inkOf: (hex: Hex) => PdfInk;
  /** Painted over the whole page first. */
  readonly ground?: Hex | undefined;
}

const blends = (group: Group): boolean => group.blend !== 'normal' || group.children.some((node) => node.kind === 'group' && blends(node));

/**
 * Writes a drawing as the content of a PDF page: outlines, gradients, clips, opacities and blend modes as they are, pixels only where pictures are.
 * @source ISO 32000-1: 8.5 (paths), 8.7.4 (shadings), 11.4 (transparency groups), 11.5 (soft masks)
 */
export function pdfPage(drawing: Drawing, { box, widthPt, heightPt, inkOf, ground }: PdfPageOptions): PdfForm {
  const page = { left: 0, top: 0, right: widthPt, bottom: heightPt };
  const content = new Content(inkOf, page);
  if (ground) {
    content.setInk(ground);
    content.line(`0 0 ${factor(widthPt)} ${factor(heightPt)} re f`);
  }
  const [x, y] = [widthPt / (box.right - box.left), heightPt / (box.bottom - box.top)];
  // Points grow upward on a page.
  const plane: Affine = { a: x, b: 0, c: 0, d: -y, e: -box.left * x, f: heightPt + box.top * y };
  content.line(`q\n${matrix(plane)} cm`);
  if (drawing.groups.some(blends)) {
    // What lies on the page does not blend with the paper.
    const form = new Content(inkOf, EVERYWHERE);
    for (const group of drawing.groups) paint(form, group, IDENTITY);
    content.paintGroup(form.form());
  } else for (const group of drawing.groups) paint(content, group, plane);
  content.line('Q');
  return content.form();
}

/** Whether anything on a page is made of pixels. */
export const holdsPixels = (form: PdfForm): boolean => form.pictures.size > 0 || [...form.groups.values()].some(holdsPixels);
