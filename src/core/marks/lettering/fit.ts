import type { AxisValues } from '../../type';
import type { LineSetting } from './flat-text';
import type { FitMeans } from './schema';

/** How near the wanted width counts as reached, as a share of it: advances come in whole font units, so that an axis widens in small steps. */
const REACHED = 5e-4;

/** Most measurements for one means. */
const MOST_STEPS = 14;

export interface Fitted {
  readonly setting: LineSetting;
  readonly reached: boolean;
}

const valueOf = (setting: LineSetting, { means, axis }: FitMeans, sizePx: number): number =>
  means === 'size' ? setting.size * sizePx : means === 'tracking' ? setting.trackingPermille : (setting.axes[axis] ?? NaN);

const withValue = (setting: LineSetting, { means, axis }: FitMeans, value: number, sizePx: number): LineSetting => {
  if (means === 'size') return { ...setting, size: value / sizePx };
  if (means === 'tracking') return { ...setting, trackingPermille: value };
  return { ...setting, axes: { ...setting.axes, [axis]: value } satisfies AxisValues };
};

/**
 * Brings a line to a width by the means the designer allows, one after the other, each within its limits. Width grows with size, tracking and
 * a width axis, so that each is found between its limits by the secant method, kept inside a shrinking bracket (false position).
 * @param widthOf the width of the line at a setting; @param sizePx the part's own size; @param axisStart where an axis stands that nobody has set
 * @source the "Illinois" variant of regula falsi: M. Dowell and P. Jarratt, BIT 11, 1971
 */
export function fitLine(
  start: LineSetting,
  wanted: number,
  by: readonly FitMeans[],
  sizePx: number,
  axisStart: (tag: string) => number | undefined,
  widthOf: (setting: LineSetting) => number,
): Fitted {
  let setting = start;
  const near = (width: number) => Math.abs(width - wanted) <= REACHED * wanted;
  for (const means of by) {
    const now = widthOf(setting);
    if (near(now)) return { setting, reached: true };
    if (means.means === 'axis' && axisStart(means.axis) === undefined) continue;
    const current = valueOf(setting, means, sizePx);
    const from = Number.isNaN(current) ? (axisStart(means.axis) ?? 0) : current;
    const at = (value: number) => withValue(setting, means, value, sizePx);
    // Only toward the wanted width: a limit on the other side does not move the line away from it.
    const end = now < wanted ? Math.max(from, means.max) : Math.min(from, means.min);
    const far = widthOf(at(end));
    if (near(far) || (now < wanted ? far < wanted : far > wanted)) {
      setting = at(end);
      continue;
    }
    setting = at(falsePosition((value) => widthOf(at(value)) - wanted, from, now - wanted, end, far - wanted, REACHED * wanted));
  }
  return { setting, reached: near(widthOf(setting)) };
}

function falsePosition(f: (x: number) => number, a: number, fa: number, b: number, fb: number, within: number): number {
  let x = a;
  for (let step = 0; step < MOST_STEPS; step++) {
    x = (a * fb - b * fa) / (fb - fa);
    const fx = f(x);
    if (Math.abs(fx) <= within / 10) return x;
    if (fx * fb > 0) {
      b = x;
      fb = fx;
      fa /= 2;
    } else {
      a = b;
      fa = fb;
      b = x;
      fb = fx;
    }
  }
  return x;
}
