import { NUMBERS_OF, PathPen, type Path, type Verb } from './path';

/**
 * Twice the signed area of a path's control polygon: positive when it runs clockwise on screen. Its sign is that of the true area
 * for all but contrived curves, which is enough to know which way an outline runs.
 */
export function windingOf(path: Path): number {
  let sum = 0;
  let at = 0;
  let [startX, startY, x, y] = [0, 0, 0, 0];
  for (const verb of path.verbs as Iterable<Verb>) {
    if (verb === 'M') {
      sum += x * startY - startX * y;
      [startX, startY] = [path.coords[at] as number, path.coords[at + 1] as number];
      [x, y] = [startX, startY];
      at += 2;
      continue;
    }
    for (let pair = 0; pair < NUMBERS_OF[verb]; pair += 2) {
      const [nextX, nextY] = [path.coords[at + pair] as number, path.coords[at + pair + 1] as number];
      sum += x * nextY - nextX * y;
      [x, y] = [nextX, nextY];
    }
    at += NUMBERS_OF[verb];
  }
  return sum + x * startY - startX * y;
}

interface Step {
  readonly verb: Verb;
  readonly numbers: readonly number[];
}

/** The same outline run the other way; every contour is closed. */
export function reversePath(path: Path): Path {
  const pen = new PathPen();
  let contour: Step[] = [];
  const finish = () => {
    const last = contour.at(-1);
    if (!last) return;
    pen.move(...(last.numbers.slice(-2) as [number, number]));
    for (let index = contour.length - 1; index > 0; index--) {
      const { verb, numbers } = contour[index] as Step;
      const [x, y] = (contour[index - 1] as Step).numbers.slice(-2) as [number, number];
      const [a = 0, b = 0, c = 0, d = 0] = numbers;
      if (verb === 'L') pen.line(x, y);
      else if (verb === 'Q') pen.quadratic(a, b, x, y);
      else pen.cubic(c, d, a, b, x, y);
    }
    pen.close();
    contour = [];
  };
  let at = 0;
  for (const verb of path.verbs as Iterable<Verb>) {
    if (verb === 'M') finish();
    if (verb === 'Z') continue;
    contour.push({ verb, numbers: path.coords.slice(at, (at += NUMBERS_OF[verb])) });
  }
  finish();
  return pen.path();
}
