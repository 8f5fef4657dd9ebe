import { notNought } from '../numeric/tolerances';
import type { Bounds } from '../geometry';
import type { StampPlacing } from './settings';

export interface PhotoSize {
  readonly widthPx: number;
  readonly heightPx: number;
}

/** Where a stamp lies on a picture, in the picture's pixels. */
export interface StampPlace {
  readonly centerX: number;
  readonly centerY: number;
  /** Of its ink, before it is turned. */
  readonly widthPx: number;
  readonly heightPx: number;
  readonly turnDeg: number;
}

/** Places a stamp: sized by the picture's shorter side, its turned box against the anchor with the margin. @param ink of the mark, in mark pixels */
export function stampPlace({ widthPx, heightPx }: PhotoSize, ink: Bounds, stamp: StampPlacing): StampPlace {
  const shorter = Math.min(widthPx, heightPx);
  const [wide, high] = [ink.right - ink.left, ink.bottom - ink.top];
  const scale = ((stamp.sizePercent / 100) * shorter) / notNought(Math.max(wide, high));
  const size = { widthPx: wide * scale, heightPx: high * scale, turnDeg: stamp.turnDeg };
  if (stamp.anchor === 'free') return { ...size, centerX: stamp.x * widthPx, centerY: stamp.y * heightPx };
  const turn = (stamp.turnDeg * Math.PI) / 180;
  const [cos, sin] = [Math.abs(Math.cos(turn)), Math.abs(Math.sin(turn))];
  const margin = (stamp.marginPercent / 100) * shorter;
  const [reachX, reachY] = [
    (size.widthPx * cos + size.heightPx * sin) / 2 + margin,
    (size.widthPx * sin + size.heightPx * cos) / 2 + margin,
  ];
  const along = (low: boolean, far: boolean, whole: number, reach: number) => (low ? reach : far ? whole - reach : whole / 2);
  return {
    ...size,
    centerX: along(stamp.anchor.endsWith('left'), stamp.anchor.endsWith('right'), widthPx, reachX),
    centerY: along(stamp.anchor.startsWith('top'), stamp.anchor.startsWith('bottom'), heightPx, reachY),
  };
}
