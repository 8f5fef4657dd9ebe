import { apply, compose, IDENTITY, type Affine, type Bounds } from '../../geometry';
import { inkOf } from '../drawing/ink';
import type { LetterPlace, PartPicture } from '../part-kind';
import type { PaintedNode } from '../drawing/painted';
import type { FlatLetter } from './flat-text';
import type { companionOf } from './followed';
import { baselineRadiusPx, type Circle, type LinePlacing } from './line-placing';
import type { Lettering } from './schema';

/** The circle that a ring or arch stands on. */
export function circleFacts(part: Lettering, followed: Circle | undefined, capHeight: number, sizePx: number, placing: LinePlacing) {
  const { line } = part;
  if (line.shape !== 'arc') return undefined;
  const radiusPx = baselineRadiusPx(line, followed, (capHeight * sizePx) / 1000);
  const y = line.form === 'ring' ? 0 : line.side === 'over' ? radiusPx : -radiusPx;
  return { center: { x: 0, y }, radiusPx, sweepDeg: placing.sweepDeg ?? 0 };
}

/** Where the origin stands when the part follows another: on the followed circle's center, or so that its ink hangs under the first line. */
export function originOf(
  part: Lettering,
  circle: Circle | undefined,
  companion: ReturnType<typeof companionOf>,
  nodes: readonly PaintedNode[],
): Pick<PartPicture, 'origin'> {
  if (circle && part.line.shape === 'arc') {
    const { form, side } = part.line;
    return {
      origin:
        form === 'ring'
          ? circle.center
          : { x: circle.center.x, y: circle.center.y + (side === 'over' ? -circle.radiusPx : circle.radiusPx) },
    };
  }
  if (!companion || !('top' in companion)) return {};
  const ink = inkOf(nodes, IDENTITY);
  if (!ink) return { origin: { x: companion.center as number, y: companion.top as number } };
  return { origin: { x: (companion.center as number) - (ink.left + ink.right) / 2, y: (companion.top as number) - ink.top } };
}

/** Where a letter stands, in the part's pixels. */
export function placeOf(letter: FlatLetter, placing: LinePlacing, toPx: Affine, capHeight: number, ink: Bounds | undefined): LetterPlace {
  const middle = { x: (letter.left + letter.right) / 2, y: letter.baseline };
  const scale = toPx.a;
  const base = {
    index: letter.index,
    count: letter.letter.count,
    text: letter.letter.text,
    halfWidthPx: ((letter.right - letter.left) / 2) * scale,
    heightPx: capHeight * scale,
    ink,
  };
  const rigid = placing.rigid?.(letter);
  if (rigid) {
    const map = compose(toPx, rigid);
    return { ...base, at: apply(map, middle), angleDeg: (Math.atan2(map.b, map.a) * 180) / Math.PI };
  }
  if (placing.warp) {
    const at = placing.warp(middle.x, middle.y);
    return { ...base, at: { x: at.x * scale, y: at.y * scale }, angleDeg: (Math.atan2(at.acrossY, at.acrossX) * 180) / Math.PI };
  }
  return { ...base, at: { x: middle.x * scale, y: middle.y * scale }, angleDeg: 0 };
}
