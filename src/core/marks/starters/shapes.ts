import { boundsOf, heightOf, widthOf, type Bounds } from '../../geometry';
import { expect } from '../../result/result';
import { FORM_NAMES, formKind, formNumbers, outlineOf, startOf, type Form, type FormName } from '../../shapes';
import type { Shape } from '../parts/shape';
import { freePartId } from '../recipe/edit';
import { createPart } from '../recipe/recipe';
import type { Part } from '../registry';
import type { Starters } from './starter';

/** Forms that lie behind what is there, rather than beside it. */
const BACKINGS: ReadonlySet<FormName> = new Set(['disk', 'ring', 'panel', 'chamfered', 'ticket', 'polygon', 'scallop', 'burst', 'star']);

/** Whether a new shape of a form goes behind everything and around it. */
export const isBacking = (form: FormName): boolean => BACKINGS.has(form) || formKind(form).group === 'shield';

/** How much of a mark a backing covers at least, both ways: a thin rule is none, whatever its form. */
const BACKS = 0.6;

/** Whether a part is a shield, disk or other backing behind most of a mark. */
export const liesBehind = (part: Part, ink: Bounds): boolean =>
  part.kind === 'shape' &&
  isBacking(part.form.form) &&
  'widthPx' in part.form &&
  'heightPx' in part.form &&
  part.form.widthPx * (part.place.scale ?? 1) >= BACKS * widthOf(ink) &&
  part.form.heightPx * (part.place.scale ?? 1) >= BACKS * heightOf(ink);

/** How large what lies beside a mark starts against the mark's width, and the air under it (common practice). */
const BESIDE = { line: 0.6, banner: 0.9, ornament: 0.4, shape: 0.35, shield: 1, air: 0.12 } as const;

/** A form with every length multiplied, within its limits: the same picture, larger or smaller. */
function inSize(form: Form, by: number): Form {
  const { fields } = formKind(form.form);
  const numbers = Object.entries(formNumbers(form)).map(([name, value]) => {
    const field = fields[name];
    return [name, field?.unit === 'px' ? Math.min(field.max, Math.max(field.min, Math.round(value * by * 10) / 10)) : value];
  });
  return { ...form, ...Object.fromEntries(numbers) };
}

/**
 * A shape of a form at a size that suits what is there: backings on its center and behind all of it; lines, banners and ornaments centered under
 * it, everything else on its center.
 */
export function newShape(id: string, form: FormName, ink: Bounds | undefined): Shape {
  const start = startOf(form) as Form & { readonly widthPx?: number; readonly heightPx?: number };
  const center = ink ? { x: (ink.left + ink.right) / 2, y: (ink.top + ink.bottom) / 2 } : { x: 0, y: 0 };
  const width = ink ? ink.right - ink.left : 0;
  const height = ink ? ink.bottom - ink.top : 0;
  const { group } = formKind(form);
  const made = (sized: Form, y: number) =>
    expect(
      createPart({
        kind: 'shape',
        id,
        form: sized,
        paint: { role: isBacking(form) ? 'second' : 'lead' },
        place: { x: Math.round(center.x), y: Math.round(y), turnDeg: 0 },
      }),
    ) as Shape;
  if (!ink || width === 0) return made(start, center.y);
  if (isBacking(form)) {
    const wide = /^(panel|chamfered|ticket)$/.test(form);
    const around = Math.hypot(width, height) * 1.08;
    if (start.widthPx === undefined || start.heightPx === undefined) return made(start, center.y);
    const size = wide
      ? { widthPx: Math.round(width * 1.16), heightPx: Math.round(height * 1.6) }
      : { widthPx: Math.round(around), heightPx: Math.round((around * start.heightPx) / start.widthPx) };
    return made({ ...start, ...size }, center.y);
  }
  const box = boundsOf(outlineOf(start));
  const longest = box ? Math.max(box.right - box.left, box.bottom - box.top) : 0;
  if (!box || longest <= 0) return made(start, center.y);
  const by = (Math.max(width, height / 2) * BESIDE[group]) / longest;
  const sized = inSize(start, by);
  return made(sized, group === 'shape' ? center.y : ink.bottom + width * BESIDE.air - box.top * by);
}

export const shapeStarters: Starters = ({ recipe, ink }) =>
  FORM_NAMES.map((form) => {
    const { label, group, words } = formKind(form);
    const behind = isBacking(form);
    return {
      ...{ id: form, label, hint: behind ? `${group}, placed behind` : group, words: [...words, group], form },
      make: () => {
        const shape = newShape(freePartId(recipe, form), form, ink);
        return { parts: [shape], chosen: shape.id, behind };
      },
    };
  });
