import type { Bounds } from '../geometry';
import { expect } from '../result/result';
import { formKind, startOf, type Form, type FormName } from '../shapes';
import type { Linked } from './parts/linked';
import type { Lettering } from './lettering/schema';
import type { Shape } from './parts/shape';
import { createPart, EMPTY_RECIPE, type Recipe } from './recipe';

/** How a descriptor line starts from the name above it: smaller, lighter, upper case, tracked open (common practice); the gap is a share of its own size. */
const SECOND_LINE = { size: 0.28, lighterBy: 200, trackingPermille: 240, gap: 0.42 } as const;

export const nameLettering = (id: string, text: string): Lettering =>
  expect(
    createPart({ kind: 'lettering', id, text, font: { family: 'marcellus' }, sizePx: 120, place: { x: 0, y: 0, turnDeg: 0 } }),
  ) as Lettering;

/**
 * A second line that stays with a name: its size and gap are shares of the name's and follow it; weight and tracking are proposed from the name's.
 * @param family the brand's face for second lines; left out, the name's own
 */
export function secondLine(id: string, text: string, name: Lettering, family: string = name.font.family): Lettering {
  const sizePx = Math.round(name.sizePx * SECOND_LINE.size);
  const weight = name.font.axes['wght'];
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
      companion: { part: name.id, sizePercent: SECOND_LINE.size * 100, gapPermille: Math.round(SECOND_LINE.gap * SECOND_LINE.size * 1000) },
    }),
  ) as Lettering;
}

/** Forms that lie behind what is there, rather than beside it. */
const BACKINGS: ReadonlySet<FormName> = new Set(['disk', 'ring', 'panel', 'chamfered', 'ticket', 'polygon', 'scallop', 'burst', 'star']);

/** Whether a new shape of a form goes behind everything and around it. */
export const isBacking = (form: FormName): boolean => BACKINGS.has(form) || formKind(form).group === 'shield';

/** A shape of a form on the center of what is there; backings are made large enough to lie behind all of it. */
export function newShape(id: string, form: FormName, ink: Bounds | undefined): Shape {
  const start = startOf(form) as Form & { readonly widthPx?: number; readonly heightPx?: number };
  const center = ink ? { x: (ink.left + ink.right) / 2, y: (ink.top + ink.bottom) / 2 } : { x: 0, y: 0 };
  const width = ink ? ink.right - ink.left : 0;
  const height = ink ? ink.bottom - ink.top : 0;
  const wide = /^(panel|chamfered|ticket)$/.test(form);
  const around = Math.hypot(width, height) * 1.08;
  const size =
    !ink || width === 0 || !isBacking(form) || start.widthPx === undefined || start.heightPx === undefined
      ? {}
      : wide
        ? { widthPx: Math.round(width * 1.16), heightPx: Math.round(height * 1.6) }
        : { widthPx: Math.round(around), heightPx: Math.round((around * start.heightPx) / start.widthPx) };
  return expect(
    createPart({
      kind: 'shape',
      id,
      form: { ...start, ...size },
      paint: { role: isBacking(form) ? 'second' : 'lead' },
      place: { x: Math.round(center.x), y: Math.round(center.y), turnDeg: 0 },
    }),
  ) as Shape;
}

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

/** A mark that follows all of another one. */
export function followingRecipe(sourceMarkId: string, name: string): Recipe {
  const all = expect(createPart({ kind: 'linked', id: 'all', name, from: { mark: sourceMarkId, part: null }, take: 'whole' }));
  return { ...EMPTY_RECIPE, parts: [all] };
}

/** Size of lettering on a ring against its radius, tracking, and how far round one text may run, so that two never meet (common practice). */
const RING_TEXT = { size: 0.2, trackingPermille: 140, mostDeg: 150 } as const;

/** Mean advance of tracked capitals, in ems; only where ring texts begin. */
const CAPITAL_EM = 0.85;

/**
 * Two texts on one ring, the upper one outward and the lower one inward, so that both read upright in one band on one center.
 * @param around the disk or ring that both follow; without one they share a circle of their own
 */
export function ringTexts(
  ids: readonly [upper: string, lower: string],
  texts: readonly [upper: string, lower: string],
  family: string,
  around: { readonly id: string; readonly radiusPx: number } | undefined,
  ink: Bounds | undefined,
): readonly [Lettering, Lettering] {
  const radiusPx = Math.round(around?.radiusPx ?? (ink ? Math.hypot(ink.right - ink.left, ink.bottom - ink.top) / 2 + 40 : 180));
  const longest = Math.max(1, ...texts.map((text) => text.length));
  const room = (RING_TEXT.mostDeg * Math.PI) / 180 / (longest * CAPITAL_EM);
  const sizePx = Math.max(6, Math.round(radiusPx * Math.min(RING_TEXT.size, room)));
  const center = ink && !around ? { x: Math.round((ink.left + ink.right) / 2), y: Math.round((ink.top + ink.bottom) / 2) } : { x: 0, y: 0 };
  const text = (index: 0 | 1): Lettering =>
    expect(
      createPart({
        kind: 'lettering',
        id: ids[index],
        text: texts[index],
        case: 'upper',
        font: { family },
        sizePx,
        trackingPermille: RING_TEXT.trackingPermille,
        line: {
          shape: 'arc',
          form: 'ring',
          side: index === 0 ? 'over' : 'under',
          radiusPx: index === 0 ? radiusPx : Math.round(radiusPx + sizePx * 0.7),
          around: around ? { part: around.id, insetPx: Math.round(sizePx * 0.9) } : null,
        },
        place: { ...center, turnDeg: 0 },
      }),
    ) as Lettering;
  return [text(0), text(1)];
}
