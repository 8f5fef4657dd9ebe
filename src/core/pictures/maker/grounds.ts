import { chance } from '../../numeric/chance';
import { layered } from '../../fields/noise';
import { fromRgb, mix, type LinearColor } from './linear-color';

/** What lies behind the solids. */
export interface Ground {
  readonly colorAt: (x: number, y: number) => LinearColor;
  readonly takesShadow: boolean;
}
export const GROUNDS = ['plain', 'busy'] as const;
export type GroundName = (typeof GROUNDS)[number];

/** A sheet that is a little lighter where the light falls. */
export function plainGround(seed: number, tone: string): Ground {
  const base = fromRgb(tone);
  return {
    takesShadow: true,
    colorAt: (x, y) => {
      const light = 1.06 - 0.1 * Math.hypot(x + 0.3, y + 0.4) + 0.02 * (layered(x * 60, y * 60, seed, 2) - 0.5);
      return [base[0] * light, base[1] * light, base[2] * light];
    },
  };
}

/** A place out of focus: soft disks of several colors over one another, as behind a portrait. */
export function busyGround(seed: number, tones: readonly string[]): Ground {
  let drawn = 0;
  const next = () => (chance(seed, ++drawn, 61) + 1) / 2;
  const colors = tones.map(fromRgb);
  const pick = (): LinearColor => colors[Math.floor(next() * colors.length)] ?? [0.5, 0.5, 0.5];
  const disks = Array.from({ length: 46 }, () => ({
    x: next() * 2.4 - 1.2,
    y: next() * 2.4 - 1.2,
    r: 0.1 + next() * 0.4,
    soft: 0.05 + next() * 0.2,
    color: pick(),
  }));
  const [above, below] = [pick(), pick()];
  return {
    takesShadow: false,
    colorAt: (x, y) => {
      let color = mix(above, below, (y + 1) / 2);
      for (const disk of disks) {
        const d = Math.hypot(x - disk.x, y - disk.y);
        if (d < disk.r) color = mix(color, disk.color, 0.72 * Math.min(1, (disk.r - d) / disk.soft));
      }
      const grain = 1 + 0.12 * (layered(x * 22, y * 22, seed, 3) - 0.5);
      return [color[0] * grain, color[1] * grain, color[2] * grain];
    },
  };
}

/** A sky from its height to the horizon. */
export function sky(high: string, low: string, seed: number): Ground {
  const [top, foot] = [fromRgb(high), fromRgb(low)];
  return {
    takesShadow: false,
    colorAt: (x, y) => {
      const cloud = Math.max(0, layered(x * 2.4, y * 6, seed, 4) - 0.5) * 1.2 * Math.max(0, 0.3 - y);
      return mix(mix(top, foot, Math.min(1, Math.max(0, (y + 1) / 1.3))), [1, 1, 1], Math.min(0.8, cloud));
    },
  };
}
