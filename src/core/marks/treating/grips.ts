import { notNought } from '../../numeric/tolerances';
import { centerOf, heightOf, widthOf, type Bounds, type Point } from '../../geometry';
import { treatmentLimits } from './edit';
import { treatmentRow, type KnownTreatment } from './registry';
import type { TreatmentHandle } from './treatment';

/** A place by which a treatment is pulled, in the part's own pixels. */
export interface TreatmentGrip {
  readonly key: string;
  readonly label: string;
  readonly at: Point;
  /** Where the line to it begins. */
  readonly from: Point;
  /** The fields that a pull to a place changes. */
  readonly pull: (to: Point) => Readonly<Record<string, unknown>>;
}

/** Angles snap to whole degrees, lengths to a tenth, as they are typed. */
const rounded = (value: number, digits: number): number => Number(value.toFixed(digits));

/** Where the turn of lines is pulled: as a share of half of the part's longer side from its middle. */
const TURN_REACH = 0.5;

function gripsOf(handle: TreatmentHandle, treatment: KnownTreatment, box: Bounds): readonly TreatmentGrip[] {
  const values = treatment as unknown as Readonly<Record<string, number>>;
  const number = (field: string): number => values[field] ?? 0;
  const within = (field: string, value: number): number => {
    const limits = treatmentLimits(treatment.kind, field);
    return Math.min(limits?.max ?? value, Math.max(limits?.min ?? value, value));
  };
  const middle = centerOf(box);
  const { label } = treatmentRow(treatment.kind);
  const toward = (angleDeg: number, length: number): Point => {
    const angle = (angleDeg * Math.PI) / 180;
    return { x: middle.x + length * Math.cos(angle), y: middle.y + length * Math.sin(angle) };
  };
  const angleTo = (to: Point): number => rounded((Math.atan2(to.y - middle.y, to.x - middle.x) * 180) / Math.PI, 0);
  if (handle.type === 'throw')
    return [
      {
        key: 'throw',
        label: `${label}: angle and depth`,
        at: toward(number(handle.angle), number(handle.length)),
        from: middle,
        pull: (to) => ({
          [handle.angle]: angleTo(to),
          [handle.length]: within(handle.length, rounded(Math.hypot(to.x - middle.x, to.y - middle.y), 1)),
        }),
      },
    ];
  if (handle.type === 'edge') {
    const edge = { x: box.right, y: middle.y };
    const side = (treatment as { readonly side?: unknown }).side === 'inward' ? -1 : handle.side;
    return [
      {
        key: 'edge',
        label: `${label}: width`,
        at: { x: edge.x + side * number(handle.length), y: edge.y },
        from: edge,
        pull: (to) => ({ [handle.length]: within(handle.length, rounded((to.x - edge.x) * side, 1)) }),
      },
    ];
  }
  if (handle.type === 'turn') {
    const reach = TURN_REACH * Math.max(widthOf(box), heightOf(box));
    return [
      {
        key: 'turn',
        label: `${label}: angle`,
        at: toward(number(handle.angle), reach),
        from: middle,
        pull: (to) => ({ [handle.angle]: angleTo(to) }),
      },
    ];
  }
  const [width, height] = [notNought(widthOf(box)), notNought(heightOf(box))];
  const at = ([x, y]: readonly [string, string]): Point => ({
    x: box.left + (number(x) / 100) * width,
    y: box.top + (number(y) / 100) * height,
  });
  const [from, to] = [at(handle.from), at(handle.to)];
  const end = (key: string, words: string, fields: readonly [string, string], other: Point): TreatmentGrip => ({
    key,
    label: `${label}: ${words}`,
    at: at(fields),
    from: other,
    pull: (pulled) => ({
      [fields[0]]: within(fields[0], rounded(((pulled.x - box.left) / width) * 100, 0)),
      [fields[1]]: within(fields[1], rounded(((pulled.y - box.top) / height) * 100, 0)),
    }),
  });
  const stops = treatment.kind === 'gradient' ? treatment.stops : [];
  const along = { x: to.x - from.x, y: to.y - from.y };
  const length = along.x ** 2 + along.y ** 2;
  return [
    end('from', 'where it begins', handle.from, to),
    end('to', 'where it ends', handle.to, from),
    // Those at the very ends lie under the ends' own grips.
    ...stops.flatMap((stop, index): readonly TreatmentGrip[] =>
      stop.atPercent <= 0 || stop.atPercent >= 100 || length === 0
        ? []
        : [
            {
              key: `stop-${index}`,
              label: `${label}: color ${index + 1}`,
              at: { x: from.x + (along.x * stop.atPercent) / 100, y: from.y + (along.y * stop.atPercent) / 100 },
              from,
              pull: (pulled) => {
                const share = ((pulled.x - from.x) * along.x + (pulled.y - from.y) * along.y) / length;
                const atPercent = rounded(Math.min(100, Math.max(0, share * 100)), 0);
                return { stops: stops.map((each, at) => (at === index ? { ...each, atPercent } : each)) };
              },
            },
          ],
    ),
  ];
}

/** The places by which a treatment is pulled on the stage; none for kinds that have only numbers. @param box the part's ink, in its own pixels */
export const treatmentGrips = (treatment: KnownTreatment, box: Bounds): readonly TreatmentGrip[] =>
  (treatmentRow(treatment.kind).handles ?? []).flatMap((handle) => gripsOf(handle, treatment, box));
