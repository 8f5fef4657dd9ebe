import { IDENTITY, type PathAlgebra, type Region } from '../../geometry';
import type { PaintedFill, PaintedGroup, PaintedNode } from '../drawing/painted';
import { bentRuns } from './bent';
import { stitches } from './knit';

export { wholeStitches } from './knit';

const together = (children: readonly PaintedNode[], more: Partial<PaintedGroup> = {}): PaintedGroup => ({
  kind: 'group',
  id: '',
  transform: IDENTITY,
  opacity: 1,
  blend: 'normal',
  children,
  ...more,
});

/**
 * A fill that no file can paint by itself, in pieces that every file can.
 * @param many whether there is more than one color
 * @returns nothing where it is one fill all the same
 */
export function laidOut({ laid, ...fill }: PaintedFill, many: boolean, paths: PathAlgebra): PaintedGroup | undefined {
  const { gradient } = fill;
  const area: Region = { path: fill.path, rule: fill.rule };
  const bent = many ? laid?.bent : undefined;
  if (!bent && !laid?.knit) return undefined;
  const reversed = gradient && [...gradient.stops].reverse().map((stop) => ({ ...stop, at: 1 - stop.at }));
  const solid = { ...fill, opacity: 1 };
  const pieces: readonly PaintedFill[] =
    bent && gradient
      ? bentRuns(area, gradient.map, bent, paths).map(({ region, kind, map, backward }) => ({
          ...solid,
          ...region,
          gradient: { ...gradient, kind, map, stops: (backward && reversed) || gradient.stops },
        }))
      : [solid];
  const whole = { opacity: fill.opacity, pieces: true } as const;
  if (!laid?.knit) return together(pieces, whole);
  const { shade, seenThrough } = laid.knit;
  const outside = { ...whole, ...(seenThrough ? { clip: { path: fill.path, rule: fill.rule } } : {}) };
  const knitted = stitches(area, pieces, laid.knit, paths).flatMap((regions, n) =>
    regions.flatMap((region): readonly PaintedFill[] => (region.path.verbs === '' ? [] : [{ ...(pieces[n] as PaintedFill), ...region }])),
  );
  if (!shade) return together(knitted, outside);
  const shading: PaintedFill = { kind: 'fill', ...area, paint: shade.paint, opacity: shade.opacity };
  // In one color what lies between would fill the gaps that make the stitches.
  return together([together([...pieces, shading], { oneColor: 'dropped' }), ...knitted], outside);
}
