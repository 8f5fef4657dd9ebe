import type { FormInput, Kit } from '../building/kit';
import type { Paint } from '../drawing/paint';

export const GAP_PIECES = ['dot', 'star', 'diamond', 'spindle', 'none'] as const;
export type GapPiece = (typeof GAP_PIECES)[number];

/** The same small piece left and right of the middle, as a live mirror pair: what stands between two ring texts. */
export function gapPair(kit: Kit, between: GapPiece, slot: string, x: number, size: number, paint: Paint): void {
  if (between === 'none' || size < 0.5) return;
  const form: FormInput =
    between === 'star'
      ? { form: 'star', widthPx: size * 2.1, heightPx: size * 2.1, points: 5, depthPercent: 60 }
      : between === 'diamond'
        ? { form: 'polygon', widthPx: size * 1.3, heightPx: size * 2, corners: 4 }
        : between === 'spindle'
          ? { form: 'spindle', widthPx: size * 2.6, weightPx: size * 0.5 }
          : { form: 'disk', widthPx: size, heightPx: size };
  kit.shape(`${slot}-one`, 'Between the words', form, paint, { x: -x, y: 0 }, between === 'spindle' ? { turnDeg: 90 } : {});
  kit.add({
    kind: 'symmetry',
    id: slot,
    name: 'Between the words',
    members: [`${slot}-one`],
    rule: 'mirror',
    centerX: 0,
    centerY: 0,
    axisDeg: 90,
  });
}
