import { converter, formatHex, parse } from 'culori';
import type { Hex } from './hex';

/** The three kinds of color vision that lack one kind of cone. */
export const VISIONS = {
  protan: { label: 'no red cones' },
  deutan: { label: 'no green cones' },
  tritan: { label: 'no blue cones' },
} as const;
export type Vision = keyof typeof VISIONS;
export const VISION_NAMES = Object.keys(VISIONS) as readonly Vision[];

/** Three rows of three, on linear light. */
export type ColorMatrix = readonly [number, number, number, number, number, number, number, number, number];

/** @source G. Machado, M. Oliveira, L. Fernandes, "A Physiologically-based Model for Simulation of Color Vision Deficiency", IEEE TVCG 15(6), 2009, severity 1.0 */
export const VISION_MATRIX: { readonly [V in Vision]: ColorMatrix } = {
  protan: [0.152286, 1.052583, -0.204868, 0.114503, 0.786281, 0.099216, -0.003882, -0.048116, 1.051998],
  deutan: [0.367322, 0.860646, -0.227968, 0.280085, 0.672501, 0.047413, -0.01182, 0.04294, 0.968881],
  tritan: [1.255528, -0.076749, -0.178779, -0.078411, 0.930809, 0.147602, 0.004733, 0.691367, 0.3039],
};

const toLinear = converter('lrgb');

/** A color as it looks to somebody who lacks one kind of cone. */
export function seenWith(hex: Hex, vision: Vision): Hex {
  const linear = toLinear(parse(hex));
  if (!linear) return hex;
  const m = VISION_MATRIX[vision];
  const row = (at: 0 | 3 | 6) => m[at] * linear.r + (m[at + 1] as number) * linear.g + (m[at + 2] as number) * linear.b;
  const within = (channel: number) => Math.min(1, Math.max(0, channel));
  return formatHex({ mode: 'lrgb', r: within(row(0)), g: within(row(3)), b: within(row(6)) }) as Hex;
}
