import { lengthText, type Bounds, type ResolvedPart } from '$core/index';

/** A line that parts snap to: where it is, and what it is. */
export interface SnapLine {
  readonly at: number;
  readonly what: string;
}

/** The lines of one thing: upright ones by their x, level ones by their y, in mark pixels; and the box they belong to. */
export interface SnapLines {
  readonly upright: readonly SnapLine[];
  readonly level: readonly SnapLine[];
  readonly box: Bounds;
}

/** A line that holds a part while it is dragged, from the one thing to the other. */
export interface Guide {
  readonly axis: 'upright' | 'level';
  readonly at: number;
  readonly from: number;
  readonly to: number;
  readonly label: string;
}

/** Edges, middles, optical center, and the font's own lines where they lie level. */
export function snapLines(part: ResolvedPart): SnapLines | undefined {
  const { ink: box, balance, lettering, transform } = part;
  if (!box) return undefined;
  const straight =
    lettering && !lettering.circle && transform.b === 0 && transform.c === 0 && new Set(lettering.letters.map(({ at }) => at.y)).size === 1;
  return {
    box,
    upright: [
      { at: box.left, what: 'left edge' },
      { at: (box.left + box.right) / 2, what: 'middle' },
      { at: box.right, what: 'right edge' },
      ...(balance ? [{ at: balance.x, what: 'optical center' }] : []),
    ],
    level: [
      { at: box.top, what: 'top' },
      { at: (box.top + box.bottom) / 2, what: 'middle' },
      { at: box.bottom, what: 'foot' },
      ...(balance ? [{ at: balance.y, what: 'optical center' }] : []),
      ...(straight
        ? [
            { at: transform.f, what: 'baseline' },
            { at: transform.f - lettering.xHeightPx, what: 'x-height' },
            { at: transform.f - lettering.capHeightPx, what: 'cap height' },
          ]
        : []),
    ],
  };
}

interface Hold {
  readonly by: number;
  readonly own: SnapLine;
  readonly other: SnapLine;
  readonly box: Bounds;
}

function nearest(
  moving: readonly SnapLine[],
  still: readonly SnapLines[],
  axis: 'upright' | 'level',
  by: number,
  reach: number,
): Hold | undefined {
  let best: Hold | undefined;
  for (const { box, [axis]: lines } of still)
    for (const other of lines)
      for (const own of moving) {
        // Middles meet middles and edges meet edges or each other; a middle on an edge is chance.
        if ((own.what === 'middle' || own.what === 'optical center') !== (other.what === 'middle' || other.what === 'optical center'))
          continue;
        const off = other.at - (own.at + by);
        if (Math.abs(off) <= reach && (!best || Math.abs(off) < Math.abs(best.by))) best = { by: off, own, other, box };
      }
  return best;
}

const apart = (a0: number, a1: number, b0: number, b1: number): number => Math.max(0, b0 - a1, a0 - b1);

/** A place at which gaps between neighbors are equal: how far it is, how large the gap, and between which places it is. */
interface GapHold {
  readonly by: number;
  readonly gap: number;
  readonly spans: readonly (readonly [from: number, to: number])[];
}

/** A box as it lies along one axis, whichever that is. */
interface Along {
  readonly start: number;
  readonly end: number;
  /** Across the axis. */
  readonly low: number;
  readonly high: number;
}
const alongX = ({ left, right, top, bottom }: Bounds): Along => ({ start: left, end: right, low: top, high: bottom });
const alongY = ({ left, right, top, bottom }: Bounds): Along => ({ start: top, end: bottom, low: left, high: right });
const beside = (one: Along, other: Along): boolean => one.low < other.high && one.high > other.low;

/** The nearest place where a box has the gap that its neighbors have between them, or stands in the middle of two. */
function nearestGap(box: Along, still: readonly Along[], reach: number): GapHold | undefined {
  const size = box.end - box.start;
  const before = (of: Along, within: number) =>
    still.filter((each) => each !== of && beside(each, of) && each.end <= of.start + within).sort((a, b) => b.end - a.end)[0];
  const after = (of: Along, within: number) =>
    still.filter((each) => each !== of && beside(each, of) && each.start >= of.end - within).sort((a, b) => a.start - b.start)[0];
  const [one, other] = [before(box, reach), after(box, reach)];
  const holds: GapHold[] = [];
  const hold = (start: number, gap: number, spans: GapHold['spans']) => gap > 0 && holds.push({ by: start - box.start, gap, spans });
  if (one && other) {
    const gap = (other.start - one.end - size) / 2;
    hold(one.end + gap, gap, [
      [one.end, one.end + gap],
      [other.start - gap, other.start],
    ]);
  }
  const [further, beyond] = [one && before(one, 0), other && after(other, 0)];
  if (one && further) {
    const gap = one.start - further.end;
    hold(one.end + gap, gap, [
      [further.end, one.start],
      [one.end, one.end + gap],
    ]);
  }
  if (other && beyond) {
    const gap = beyond.start - other.end;
    hold(other.start - gap - size, gap, [
      [other.start - gap, other.start],
      [other.end, beyond.start],
    ]);
  }
  return holds.filter(({ by }) => Math.abs(by) <= reach).sort((a, b) => Math.abs(a.by) - Math.abs(b.by))[0];
}

/**
 * Draws a moving part to the lines of the others, and to the gaps between them.
 * @param dx how far it has been dragged; @param reach how near counts, in mark pixels
 * @param length how a length is written on a guide
 * @returns how far it goes, and the guides that hold it with the white between the two written on them
 */
export function snap(
  moving: SnapLines,
  still: readonly SnapLines[],
  dx: number,
  dy: number,
  reach: number,
  length: (px: number) => string = (px) => lengthText(px, 'px'),
): { readonly dx: number; readonly dy: number; readonly guides: readonly Guide[] } {
  const across = nearest(moving.upright, still, 'upright', dx, reach);
  const down = nearest(moving.level, still, 'level', dy, reach);
  const { left, right, top, bottom } = moving.box;
  const moved = { left: left + dx, right: right + dx, top: top + dy, bottom: bottom + dy };
  // A line that is as near holds it; gaps are for where no line is.
  const nearer = (gap: GapHold | undefined, line: Hold | undefined) =>
    gap && (!line || Math.abs(gap.by) < Math.abs(line.by) - 1e-9) ? gap : undefined;
  const wide = nearer(
    nearestGap(
      alongX(moved),
      still.map((each) => alongX(each.box)),
      reach,
    ),
    across,
  );
  const tall = nearer(
    nearestGap(
      alongY(moved),
      still.map((each) => alongY(each.box)),
      reach,
    ),
    down,
  );
  const x = dx + (wide?.by ?? across?.by ?? 0);
  const y = dy + (tall?.by ?? down?.by ?? 0);
  const box = { left: moving.box.left + x, right: moving.box.right + x, top: moving.box.top + y, bottom: moving.box.bottom + y };
  const words = (hold: Hold, white: number) =>
    `${hold.own.what === hold.other.what ? hold.own.what : `${hold.own.what} to ${hold.other.what}`} · ${length(white)} apart`;
  return {
    dx: x,
    dy: y,
    guides: [
      ...(wide?.spans ?? []).map(([from, to]) => ({
        ...{ axis: 'level' as const, at: (box.top + box.bottom) / 2, from, to, label: `equal gaps · ${length(wide?.gap ?? 0)}` },
      })),
      ...(tall?.spans ?? []).map(([from, to]) => ({
        ...{ axis: 'upright' as const, at: (box.left + box.right) / 2, from, to, label: `equal gaps · ${length(tall?.gap ?? 0)}` },
      })),
      ...(across && !wide
        ? [
            {
              axis: 'upright' as const,
              at: across.other.at,
              from: Math.min(box.top, across.box.top),
              to: Math.max(box.bottom, across.box.bottom),
              label: words(across, apart(box.top, box.bottom, across.box.top, across.box.bottom)),
            },
          ]
        : []),
      ...(down && !tall
        ? [
            {
              axis: 'level' as const,
              at: down.other.at,
              from: Math.min(box.left, down.box.left),
              to: Math.max(box.right, down.box.right),
              label: words(down, apart(box.left, box.right, down.box.left, down.box.right)),
            },
          ]
        : []),
    ],
  };
}
