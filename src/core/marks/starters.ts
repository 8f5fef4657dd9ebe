import type { Bounds } from '../geometry';
import { expect } from '../result/result';
import { forms, type FormName } from '../shapes';
import type { Linked } from './parts/linked';
import type { Lettering } from './lettering/schema';
import type { Shape } from './parts/shape';
import { createPart, EMPTY_RECIPE, type Recipe } from './recipe';

/** How a descriptor line starts from the name above it: smaller, lighter, upper case, tracked open (common practice). */
const SECOND_LINE = { size: 0.28, lighterBy: 200, trackingPermille: 240, gap: 0.42 } as const;

export const nameLettering = (id: string, text: string): Lettering =>
  expect(
    createPart({ kind: 'lettering', id, text, font: { family: 'marcellus' }, sizePx: 120, place: { x: 0, y: 0, turnDeg: 0 } }),
  ) as Lettering;

/**
 * A second line under a name: its size, weight, tracking and gap are proposed from the name's.
 * @param family the brand's face for second lines; left out, the name's own
 */
export function secondLine(
  id: string,
  text: string,
  name: Lettering,
  nameInk: Bounds | undefined,
  family: string = name.font.family,
): Lettering {
  const sizePx = Math.round(name.sizePx * SECOND_LINE.size);
  const weight = name.font.axes['wght'];
  const bottom = nameInk?.bottom ?? name.place.y;
  return expect(
    createPart({
      kind: 'lettering',
      id,
      text,
      case: 'upper',
      font: {
        ...name.font,
        family,
        axes: weight === undefined ? name.font.axes : { ...name.font.axes, wght: Math.max(100, weight - SECOND_LINE.lighterBy) },
      },
      sizePx,
      trackingPermille: SECOND_LINE.trackingPermille,
      paint: name.paint,
      place: { x: name.place.x, y: Math.round(bottom + sizePx * (0.7 + SECOND_LINE.gap)), turnDeg: 0 },
    }),
  ) as Lettering;
}

/** A shape of a form, large enough to lie behind what is there, on its center. */
export function backingShape(id: string, form: FormName, ink: Bounds | undefined): Shape {
  const start = forms[form].start;
  const center = ink ? { x: (ink.left + ink.right) / 2, y: (ink.top + ink.bottom) / 2 } : { x: 0, y: 0 };
  const width = ink ? ink.right - ink.left : 0;
  const height = ink ? ink.bottom - ink.top : 0;
  const size =
    !ink || width === 0
      ? {}
      : form === 'panel'
        ? { widthPx: Math.round(width * 1.16), heightPx: Math.round(height * 1.6) }
        : squareAround(Math.hypot(width, height) * 1.08);
  return expect(
    createPart({
      kind: 'shape',
      id,
      form: { ...start, ...size },
      paint: { role: 'second' },
      place: { x: Math.round(center.x), y: Math.round(center.y), turnDeg: 0 },
    }),
  ) as Shape;
}

const squareAround = (side: number) => ({ widthPx: Math.round(side), heightPx: Math.round(side) });

/** An initial-only mark that follows the first letter, face and color of another mark's lettering. */
export function initialRecipe(sourceMarkId: string, name: Lettering): Recipe {
  const initial = expect(
    createPart({
      kind: 'linked',
      id: 'initial',
      name: 'Initial',
      from: { mark: sourceMarkId, part: name.id },
      take: 'initial',
      sizePx: 200,
      place: { x: 0, y: 70, turnDeg: 0 },
    }),
  ) as Linked;
  return { ...EMPTY_RECIPE, parts: [initial] };
}
