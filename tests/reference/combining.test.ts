import { beforeAll, describe, expect, it } from 'vitest';
import {
  COMBININGS,
  compose,
  joinPaths,
  mapPath,
  outlineOf,
  PathPen,
  reversePath,
  rotation,
  scaling,
  translation,
  expect as valueOf,
  type Path,
  type Region,
} from '$core/index';
import { combineFlattened } from '$core/pathops';
import { openTypeface } from '$core/shaping';
import { casesOf } from '../support/deep';
import { areaOf } from '../support/drawn-mark';
import { fontBytes, shipped } from '../support/fonts';
import { random } from '../support/random';
import { paths } from '../support/resolver';

const letters: Path[] = [];
beforeAll(async () => {
  for (const id of ['jost', 'playfair-display', 'zilla-slab', 'great-vibes', 'unifrakturmaguntia']) {
    const instance = valueOf(openTypeface(id, await fontBytes(shipped.find((family) => family.id === id)?.faces[0]?.file ?? ''))).at({});
    const scale = 1000 / instance.metrics.unitsPerEm;
    for (const letter of 'ABCOQSWXagkos&8') {
      const [glyph] = instance.shape({ text: letter, direction: 'ltr', script: 'Latn', features: {} });
      const path = mapPath(instance.outline(glyph?.glyph ?? 0), scaling(scale));
      if (path.verbs !== '') letters.push(path);
    }
  }
});

const bar = (width: number, height: number): Path =>
  new PathPen()
    .move(-width / 2, -height / 2)
    .line(width / 2, -height / 2)
    .line(width / 2, height / 2)
    .line(-width / 2, height / 2)
    .close()
    .path();

describe('combining curves', () => {
  // The independent route is clipper2 on finely flattened outlines.
  it('covers the areas that a polygon library finds, within 0.1 %, in seeded cases; none throws, none is empty that should not be', () => {
    const next = random(20_261_124);
    const pick = <T>(from: readonly T[]): T => from[Math.floor(next() * from.length)] as T;
    const shape = (): Path => {
      const kind = next();
      const size = 60 + next() * 700;
      const base =
        kind < 0.5
          ? pick(letters)
          : kind < 0.65
            ? outlineOf({ form: 'disk', widthPx: size, heightPx: size * (0.4 + next()) })
            : kind < 0.8
              ? outlineOf({ form: 'ring', widthPx: size, heightPx: size, bandPx: 5 + next() * 60 })
              : kind < 0.9
                ? bar(size, 2 + next() * 200)
                : // Two letters over each other: outlines that cross themselves.
                  joinPaths([pick(letters), mapPath(pick(letters), translation(next() * 300, 0))]);
      // Every third stands where it is, so that edges touch, coincide and share their corners.
      const place =
        next() < 0.33 ? translation(0, 0) : compose(translation(next() * 500 - 250, next() * 500 - 250), rotation(next() * 360));
      return mapPath(base, place);
    };
    const off: string[] = [];
    for (let n = 0; n < casesOf({ inFull: 2000, sample: 250 }); n++) {
      const how = COMBININGS[n % COMBININGS.length] ?? 'unite';
      const one: Region = { path: shape(), rule: 'nonzero' };
      const other: Region = n % 50 === 0 ? one : { path: shape(), rule: 'nonzero' };
      const ours = areaOf([paths.combine(how, one, other)], 0.02);
      const theirs = areaOf([combineFlattened(how, one, other, 0.02)], 0.02);
      // Slivers of coinciding edges have no area to speak of: a thousandth of the operands counts as none.
      const whole = areaOf([one], 0.02) + areaOf([other], 0.02);
      if (Math.abs(ours - theirs) > 0.001 * Math.max(theirs, whole * 0.05))
        off.push(`${n} ${how}: ${ours.toFixed(1)} against ${theirs.toFixed(1)}`);
    }
    expect(off).toEqual([]);
  }, 300_000);

  it('welds areas whichever way their outlines run and whichever rule they are filled by', () => {
    const disk = outlineOf({ form: 'disk', widthPx: 200, heightPx: 200 });
    const other = mapPath(disk, { a: -1, b: 0, c: 0, d: 1, e: 60, f: 0 });
    const hole: Region = { path: joinPaths([disk, mapPath(disk, { a: 0.5, b: 0, c: 0, d: 0.5, e: 0, f: 0 })]), rule: 'evenodd' };
    const apart: Region = { path: mapPath(disk, { a: 1, b: 0, c: 0, d: 1, e: 500, f: 0 }), rule: 'nonzero' };
    const area = (one: readonly Region[]) => areaOf([paths.weld(one)]);
    expect(
      area([
        { path: disk, rule: 'nonzero' },
        { path: reversePath(disk), rule: 'nonzero' },
      ]) /
        (Math.PI * 100 ** 2),
    ).toBeCloseTo(1, 3);
    const both = combineFlattened('unite', { path: disk, rule: 'nonzero' }, { path: other, rule: 'nonzero' });
    expect(
      area([
        { path: disk, rule: 'nonzero' },
        { path: other, rule: 'nonzero' },
      ]) / areaOf([both]),
    ).toBeCloseTo(1, 3);
    expect(area([hole, apart]) / (Math.PI * (100 ** 2 - 50 ** 2 + 100 ** 2))).toBeCloseTo(1, 3);
  });

  it('draws bands whose area is their width times the length of the outline (closed forms)', () => {
    const disk: Region = { path: outlineOf({ form: 'disk', widthPx: 200, heightPx: 200 }), rule: 'nonzero' };
    expect(areaOf([paths.band(disk, 10, 'round')], 0.005) / (2 * Math.PI * 100 * 10)).toBeCloseTo(1, 3);
    const square: Region = { path: bar(100, 100), rule: 'nonzero' };
    // Outside, a miter fills the corners and a bevel cuts them off; inside, both lose them.
    expect(areaOf([paths.band(square, 10, 'miter')])).toBeCloseTo(110 * 110 - 90 * 90, 3);
    expect(areaOf([paths.band(square, 10, 'bevel')])).toBeCloseTo(110 * 110 - 90 * 90 - 4 * 12.5, 3);
    expect(areaOf([paths.band(square, 10, 'round')], 0.001)).toBeCloseTo(110 * 110 - 90 * 90 - (4 - Math.PI) * 25, 1);
  });

  it('welds what overlaps into one outline', () => {
    const welded = paths.weld([
      { path: bar(100, 20), rule: 'nonzero' },
      { path: bar(20, 100), rule: 'nonzero' },
    ]);
    expect([...welded.path.verbs].filter((verb) => verb === 'M').length).toBe(1);
    expect(areaOf([welded])).toBeCloseTo(100 * 20 * 2 - 400, 3);
  });
});
