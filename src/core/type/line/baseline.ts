/** A place on a baseline: where it is, which way it runs (a unit vector), and how it turns. */
export interface BaselinePoint {
  readonly x: number;
  readonly y: number;
  readonly cos: number;
  readonly sin: number;
  /** 1 ÷ radius, positive where letters stand on the outside of the turn, so that their tops spread. */
  readonly curvature: number;
}

/** A line that letters stand on, by the length along it; y down, letters stand to the left of its direction as seen on screen with y up. */
export interface Baseline {
  readonly length: number;
  /** Beyond its ends it runs straight on. */
  readonly at: (along: number) => BaselinePoint;
}

const TURN_DEG = Math.PI / 180;

/**
 * A circle as a baseline, measured from its anchor: over, clockwise from the top with letters outward; under, counter-clockwise from the bottom
 * with letters inward, so that they read upright (common practice: the lower ring text has the opposite curvature on the same center).
 * @param startDeg clockwise from the top (over) or from the bottom (under)
 */
export function arcBaseline(radius: number, side: 'over' | 'under', startDeg: number): Baseline {
  const over = side === 'over';
  const start = startDeg * TURN_DEG;
  return {
    length: 2 * Math.PI * radius,
    at: (along) => {
      const turn = over ? start + along / radius : start - along / radius;
      const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
      return over
        ? { x: radius * sin, y: -radius * cos, cos, sin, curvature: 1 / radius }
        : { x: -radius * sin, y: radius * cos, cos, sin, curvature: -1 / radius };
    },
  };
}
