import { PathPen, type Path, type Point } from '../../geometry';
import { bordersOf, type AreaMap } from './borders';
import { fitChain, type Closeness, type Piece } from './fit-chain';

const turnedBack = (piece: Piece): Piece =>
  piece.kind === 'line'
    ? { kind: 'line', from: piece.to, to: piece.from }
    : { kind: 'cubic', from: piece.to, first: piece.second, second: piece.first, to: piece.from };

const rounded = (value: number): number => Math.round(value * 100) / 100;

function drawRing(pen: PathPen, pieces: readonly Piece[]): void {
  const [first] = pieces;
  if (!first) return;
  const move = ({ x, y }: Point): readonly [number, number] => [rounded(x), rounded(y)];
  pen.move(...move(first.from));
  pieces.forEach((piece, index) => {
    if (piece.kind === 'cubic') pen.cubic(...move(piece.first), ...move(piece.second), ...move(piece.to));
    // The last straight line is the closing one.
    else if (index < pieces.length - 1) pen.line(...move(piece.to));
  });
  pen.close();
}

/**
 * The outline of every area of a picture, in the picture's pixels from its upper left corner, to be filled by the even-odd rule.
 * Areas that touch share their border to the last digit, so that their sizes sum to the picture's.
 *
 * @param closeness how far curves may be from the border
 * @returns by area; places written to a hundredth of a pixel
 */
export function traceAreas(map: AreaMap, closeness: Closeness): ReadonlyMap<number, Path> {
  const { chains, rings } = bordersOf(map);
  const fitted: (readonly Piece[] | undefined)[] = [];
  const piecesOf = (chain: number): readonly Piece[] => {
    const kept = fitted[chain];
    if (kept) return kept;
    const [border] = chains.slice(chain, chain + 1);
    const made = border && border.points.length > 1 ? fitChain(border, closeness) : [];
    fitted[chain] = made;
    return made;
  };
  const paths = new Map<number, Path>();
  for (const [area, round] of rings) {
    const pen = new PathPen();
    for (const { parts } of round)
      drawRing(
        pen,
        parts.flatMap(({ chain, forward }) => (forward ? piecesOf(chain) : [...piecesOf(chain)].reverse().map(turnedBack))),
      );
    paths.set(area, pen.path());
  }
  return paths;
}

/**
 * The outline of what is darker than a level in a soft gray picture.
 * @param gray 0 to 1, row by row
 * @param level what is below it is inside
 */
export function traceGray(gray: Float32Array, columns: number, rows: number, level: number, closeness: Closeness): Path {
  const areas = new Int16Array(columns * rows);
  for (let index = 0; index < areas.length; index++) areas[index] = (gray[index] as number) < level ? 1 : 0;
  const crossing = (first: number, second: number): number => {
    const [a, b] = [gray[first] as number, gray[second] as number];
    return (level - a) / (b - a);
  };
  return traceAreas({ columns, rows, areas, crossing }, closeness).get(1) ?? { verbs: '', coords: [] };
}
