import PathKitInit, { type SkPath } from 'pathkit-wasm';
import {
  contoursOf,
  EMPTY_PATH,
  joinPaths,
  NUMBERS_OF,
  PathPen,
  reversePath,
  windingOf,
  type Cap,
  type Combining,
  type Join,
  type Path,
  type PathAlgebra,
  type Region,
  type Verb,
} from '../geometry';
import { checkedAlgebra } from './checked';
import { withoutFalseContours } from './false-contours';
import { combineFlattened, weldFlattened } from './flattened';

/** Where curves cannot be combined, polygons as fine as this stand for them: of many thin pieces, coarser ones lose a few thousandths. */
const FALLBACK_FINE = 0.003;

/** Miters reach at most this many times the band's half width; beyond it the join is cut off. */
const MITER_LIMIT = 8;

/**
 * Outlines are stroked this many times larger: the stroker is exact to a quarter of a pixel, which would be 0.7 % of the area of a fine ornament.
 * A power of two, so that enlarging loses no digit.
 */
const STROKED_LARGER = 64;

/**
 * Opens the path library.
 * @param wasmBinary the bytes of `pathkit-wasm/bin/pathkit.wasm`; every place has its own way to get them
 * @source Skia's PathOps and stroker, compiled to WebAssembly; curves are kept. Numbers are single floats: 24 bits, about a thousandth at coordinates of ten thousand
 */
export async function openPathAlgebra(wasmBinary: Uint8Array): Promise<PathAlgebra> {
  return checkedAlgebra(await openCurveAlgebra(wasmBinary));
}

/** The library alone, unchecked. */
export async function openCurveAlgebra(wasmBinary: Uint8Array): Promise<PathAlgebra> {
  const kit = await PathKitInit({ wasmBinary });
  const OPS: Readonly<Record<Combining, number>> = {
    unite: kit.PathOp.UNION,
    subtract: kit.PathOp.DIFFERENCE,
    intersect: kit.PathOp.INTERSECT,
    exclude: kit.PathOp.XOR,
  };
  const JOIN: Readonly<Record<Join, number>> = { round: kit.StrokeJoin.ROUND, miter: kit.StrokeJoin.MITER, bevel: kit.StrokeJoin.BEVEL };

  const CAP: Readonly<Record<Cap, number>> = { round: kit.StrokeCap.ROUND, flat: kit.StrokeCap.BUTT, square: kit.StrokeCap.SQUARE };

  /** Runs with native paths that are all freed at the end, whatever happens. */
  const using = <T>(run: (keep: (path: SkPath) => SkPath) => T): T => {
    const kept: SkPath[] = [];
    try {
      return run((path) => {
        kept.push(path);
        return path;
      });
    } finally {
      for (const path of kept) path.delete();
    }
  };
  const native = ({ path, rule }: Region): SkPath => {
    const made = kit.FromCmds(commandsOf(path));
    made.setFillType(rule === 'evenodd' ? kit.FillType.EVENODD : kit.FillType.WINDING);
    return made;
  };
  const region = (path: SkPath): Region => ({
    path: readCommands(path.toCmds()),
    rule: path.getFillType() === kit.FillType.WINDING ? 'nonzero' : 'evenodd',
  });

  const stroke = (path: SkPath, width: number, join: Join, cap: Cap): boolean => {
    const sized = (by: number) => path.transform(by, 0, 0, 0, by, 0, 0, 0, 1);
    sized(STROKED_LARGER);
    const options = { width: width * STROKED_LARGER, join: JOIN[join], miter_limit: MITER_LIMIT, cap: CAP[cap] };
    const done = path.stroke(options) !== null;
    sized(1 / STROKED_LARGER);
    return done;
  };
  /** Of closed outlines with joins that keep their distance: without what the stroker leaves in tight turns. */
  const trueContours = ({ path, rule }: Region, outline: Path, by: number, join: Join): Region =>
    join === 'bevel' || contoursOf(outline).some(({ verbs }) => !verbs.endsWith('Z'))
      ? { path, rule }
      : { path: withoutFalseContours(path, outline, by), rule };

  return {
    combine: (how, one, other) =>
      using((keep) => {
        const made = keep(native(one));
        // The library says so when it cannot; then the areas are combined as fine polygons instead.
        return made.op(keep(native(other)), OPS[how] as never) ? region(made) : combineFlattened(how, one, other, FALLBACK_FINE);
      }),
    weld: (regions) =>
      using((keep) => {
        // Outlines that run the same way are welded in one step; those that ran opposite ways would cancel each other.
        const alike = regions.filter(({ rule }) => rule === 'nonzero').map(({ path }) => (windingOf(path) < 0 ? reversePath(path) : path));
        const all = keep(native({ path: joinPaths(alike), rule: 'nonzero' }));
        if (!all.simplify()) return weldFlattened(regions, FALLBACK_FINE);
        for (const each of regions)
          if (each.rule === 'evenodd' && !all.op(keep(native(each)), OPS.unite as never)) return weldFlattened(regions, FALLBACK_FINE);
        return region(all);
      }),
    grow: (one, by, join) =>
      using((keep) => {
        const made = keep(native(one));
        const line = keep(native(one));
        // The stroker's outline and the area itself, joined in one step.
        if (!stroke(line, 2 * by, join, 'round')) return one;
        line.setFillType(kit.FillType.WINDING);
        return trueContours(
          made.op(line, OPS.unite as never) ? region(made) : weldFlattened([one, region(line)], FALLBACK_FINE),
          one.path,
          by,
          join,
        );
      }),
    band: (one, width, join, cap = 'round') =>
      using((keep) => {
        const made = keep(native(one));
        if (!stroke(made, width, join, cap)) return { path: EMPTY_PATH, rule: 'nonzero' };
        made.simplify();
        return trueContours(region(made), one.path, width / 2, join);
      }),
  };
}

/** The library's verbs in its own order. */
const MOVE = 0;
const LINE = 1;
const QUAD = 2;
const CONIC = 3;
const CUBIC = 4;

const CLOSE = 5;
const VERBS: Readonly<Record<Verb, number>> = { M: MOVE, L: LINE, Q: QUAD, C: CUBIC, Z: CLOSE };

function commandsOf(path: Path): readonly (readonly number[])[] {
  let at = 0;
  return Array.from(path.verbs as Iterable<Verb>, (verb) => [VERBS[verb], ...path.coords.slice(at, (at += NUMBERS_OF[verb]))]);
}

function readCommands(commands: readonly (readonly number[])[]): Path {
  const pen = new PathPen();
  let x = 0;
  let y = 0;
  let open = false;
  for (const [verb, a = 0, b = 0, c = 0, d = 0, e = 0, f = 0] of commands) {
    if (verb === MOVE) {
      pen.move(a, b);
      [x, y] = [a, b];
      open = true;
    } else if (verb === LINE) {
      pen.line(a, b);
      [x, y] = [a, b];
    } else if (verb === QUAD) {
      pen.quadratic(a, b, c, d);
      [x, y] = [c, d];
    } else if (verb === CONIC) {
      // A conic of weight w is drawn as the cubic through the same middle: handles at 4w ÷ 3(1 + w) of the way; round joins turn by at most a quarter.
      const share = (4 * e) / (3 * (1 + e));
      pen.cubic(x + share * (a - x), y + share * (b - y), c + share * (a - c), d + share * (b - d), c, d);
      [x, y] = [c, d];
    } else if (verb === CUBIC) {
      pen.cubic(a, b, c, d, e, f);
      [x, y] = [e, f];
    } else if (open) {
      pen.close();
      open = false;
    }
  }
  return pen.path();
}
