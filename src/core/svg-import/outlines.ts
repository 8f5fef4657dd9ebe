import svgpath from 'svgpath';
import { arcOn, compose, IDENTITY, PathPen, rotation, scaling, translation, type Affine, type Path } from '../geometry';
import type { SvgElement } from './read-tree';

/** A length in user units; percentages and units of type are not lengths of a drawing that stands alone. @source W3C CSS Values 3, 5.2 "Absolute lengths", at 96 px an inch */
export function lengthOf(text: string | undefined, otherwise = 0): number {
  const found = /^\s*([+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?)\s*(px|pt|pc|mm|cm|in)?\s*$/i.exec(text ?? '');
  if (!found) return otherwise;
  const per: Readonly<Record<string, number>> = { px: 1, pt: 96 / 72, pc: 16, mm: 96 / 25.4, cm: 96 / 2.54, in: 96 };
  return Number(found[1]) * (per[(found[2] ?? 'px').toLowerCase()] ?? 1);
}

const numbers = (text: string | undefined): readonly number[] =>
  (text?.match(/[+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?/gi) ?? []).map(Number);

/** A list of transforms as one map. @source W3C CSS Transforms 1, 8 "SVG transform functions"; nothing for what is not understood */
export function readTransform(text: string | undefined): Affine | undefined {
  if (!text || text.trim() === '' || text.trim() === 'none') return IDENTITY;
  let map = IDENTITY;
  for (const [, name = '', list = ''] of text.matchAll(/([a-zA-Z]+)\s*\(([^)]*)\)/g)) {
    const [a = 0, b, c, d = 0, e = 0, f = 0] = numbers(list);
    const turned = (): Affine => {
      const [x, y] = [b ?? 0, c ?? 0];
      return compose(translation(x, y), compose(rotation(a), translation(-x, -y)));
    };
    const tangent = (angle: number) => Math.tan((angle * Math.PI) / 180);
    const made: Affine | undefined = {
      matrix: { a, b: b ?? 0, c: c ?? 0, d, e, f },
      translate: translation(a, b ?? 0),
      scale: scaling(a, b ?? a),
      rotate: turned(),
      skewX: { ...IDENTITY, c: tangent(a) },
      skewY: { ...IDENTITY, b: tangent(a) },
    }[name];
    if (!made) return undefined;
    map = compose(map, made);
  }
  return Object.values(map).every(Number.isFinite) ? map : undefined;
}

/** Path data as an outline: arcs become curves, everything absolute. Reading stops where the data is broken, as the standard asks. @source W3C SVG 2, 9.3 and 9.5 */
export function pathOfData(data: string): Path {
  const pen = new PathPen();
  let drawing = false;
  let [startX, startY] = [0, 0];
  // What follows a closed contour without a move begins where that one began.
  const begin = () => {
    if (!drawing) pen.move(startX, startY);
    drawing = true;
  };
  svgpath(data)
    .abs()
    .unarc()
    .unshort()
    .iterate((segment, _, x, y) => {
      const [verb, ...n] = segment as [string, ...number[]];
      const [a = 0, b = 0, c = 0, d = 0, e = 0, f = 0] = n;
      if (verb === 'M') {
        pen.move(a, b);
        [startX, startY] = [a, b];
        drawing = true;
        return;
      }
      if (verb === 'Z' || verb === 'z') {
        if (drawing) pen.close();
        drawing = false;
        return;
      }
      begin();
      if (verb === 'L') pen.line(a, b);
      else if (verb === 'H') pen.line(a, y);
      else if (verb === 'V') pen.line(x, a);
      else if (verb === 'Q') pen.quadratic(a, b, c, d);
      else if (verb === 'C') pen.cubic(a, b, c, d, e, f);
    });
  return pen.path();
}

/** The outline of a basic shape or path in its own coordinates; nothing for other elements. @source W3C SVG 2, 10 "Basic shapes" */
export function outlineOfElement({ name, attributes: at }: SvgElement): Path | undefined {
  const value = (attribute: string) => lengthOf(at[attribute]);
  const round = (cx: number, cy: number, rx: number, ry: number) =>
    rx > 0 && ry > 0
      ? arcOn(new PathPen().move(cx + rx, cy), cx, cy, rx, ry, 0, 2 * Math.PI)
          .close()
          .path()
      : new PathPen().path();
  if (name === 'path') return pathOfData(at['d'] ?? '');
  if (name === 'circle') return round(value('cx'), value('cy'), value('r'), value('r'));
  if (name === 'ellipse') return round(value('cx'), value('cy'), lengthOf(at['rx'], value('ry')), lengthOf(at['ry'], value('rx')));
  if (name === 'line') return new PathPen().move(value('x1'), value('y1')).line(value('x2'), value('y2')).path();
  if (name === 'polyline' || name === 'polygon') {
    const list = numbers(at['points']);
    const pen = new PathPen();
    for (let index = 0; index + 1 < list.length; index += 2) {
      const [x, y] = [list[index] as number, list[index + 1] as number];
      if (index === 0) pen.move(x, y);
      else pen.line(x, y);
    }
    return list.length >= 4 && name === 'polygon' ? pen.close().path() : pen.path();
  }
  if (name !== 'rect') return undefined;
  const [x, y, width, height] = [value('x'), value('y'), value('width'), value('height')];
  if (width <= 0 || height <= 0) return new PathPen().path();
  const rx = Math.min(lengthOf(at['rx'], value('ry')), width / 2);
  const ry = Math.min(lengthOf(at['ry'], value('rx')), height / 2);
  if (rx <= 0 || ry <= 0)
    return new PathPen()
      .move(x, y)
      .line(x + width, y)
      .line(x + width, y + height)
      .line(x, y + height)
      .close()
      .path();
  const pen = new PathPen().move(x + rx, y).line(x + width - rx, y);
  arcOn(pen, x + width - rx, y + ry, rx, ry, -Math.PI / 2, Math.PI / 2).line(x + width, y + height - ry);
  arcOn(pen, x + width - rx, y + height - ry, rx, ry, 0, Math.PI / 2).line(x + rx, y + height);
  arcOn(pen, x + rx, y + height - ry, rx, ry, Math.PI / 2, Math.PI / 2).line(x, y + ry);
  return arcOn(pen, x + rx, y + ry, rx, ry, Math.PI, Math.PI / 2)
    .close()
    .path();
}
