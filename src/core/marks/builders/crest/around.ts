import { withoutHoles } from '../../../geometry';
import { ownWordOf } from '../../../heraldry';
import { formKind, type FormName } from '../../../shapes';
import { formOf, type FormInput, type Kit } from '../../building/kit';
import type { KnownPart } from '../../registry';
import { figure, formFigure, putFigure, sizedForm, type Figure } from './figures';
import type { Crest } from './numbers';

/** What lies in front keeps white around itself. */
export const SEPARATED = (n: Crest) =>
  n.separationPercent > 0
    ? { treatments: [{ kind: 'halo' as const, id: 'separation', widthPx: Math.max(0.1, (n.sizePx * n.separationPercent) / 100) }] }
    : {};

/** Behind the shield: tools, wreaths, mantling; beside it, supporters on their compartment. */
export function around(kit: Kit, n: Crest, width: number): void {
  const h = n.sizePx;
  const ink = n.inkPaint;
  const mirrored = (slot: string, name: string) =>
    kit.add({ kind: 'symmetry', id: slot, name, members: [`${slot}-one`], rule: 'mirror', centerX: 0, centerY: 0, axisDeg: 90 });
  if (n.flourish !== 'none') {
    if (n.flourish === 'scrollPair')
      kit.shape('flourish', 'Flourish', sizedForm('scrollPair', { widthPx: width * 1.9 }), ink, { x: 0, y: h * 0.5 });
    else if (n.flourish === 'mantling')
      kit.shape('flourish', 'Mantling', { form: 'mantling', widthPx: width * 1.85, heightPx: h * 1.12 }, ink, { x: 0, y: -h * 0.04 });
    else if (n.flourish === 'acanthus') {
      kit.shape('flourish-one', 'Flourish', { form: 'acanthus', widthPx: width * 0.62, heightPx: h * 0.4, mirrored: 0 }, ink, {
        x: width * 0.82,
        y: h * 0.3,
      });
      mirrored('flourish', 'Flourishes');
    } else {
      const radius = Math.hypot(width / 2, h / 2) * 1.12;
      const wreath = formOf({ form: n.flourish, radiusPx: radius, sweepDeg: 138 });
      kit.shape('flourish', 'Wreath', wreath as unknown as FormInput, ink, { x: 0, y: -h * 0.02 });
    }
  }
  if (n.crossed !== 'none') {
    const long = n.crossed === 'anchor' ? h * 1.2 : h * 1.62;
    kit.shape(
      'crossed-one',
      `${formKind(n.crossed).label}, crossed`,
      sizedForm(n.crossed, { heightPx: long }),
      ink,
      { x: 0, y: -h * 0.03 },
      { turnDeg: n.crossed === 'arrow' ? -52 : 38 },
    );
    mirrored('crossed', 'Crossed');
  }
  const foot = h * 0.5;
  if (n.supporters !== 'none') {
    const wanted = n.supporters === 'wing' ? h * 0.62 : n.supporters === 'fish' ? h * 0.42 : h * 0.82;
    const one = figure(kit, n, n.supporters, wanted, width * 0.9);
    if (one) {
      const x = width * 0.58 + one.wide / 2;
      putFigure(kit, 'supporters-one', one, ink, { x, y: n.supporters === 'wing' ? -h * 0.02 : foot - one.tall / 2 });
      if (n.sides === 'both') mirrored('supporters', 'Supporters');
      // One alone on the left is the same picture, turned to the shield.
      else if (n.sides === 'left') {
        const alone = kit.parts.at(-1) as KnownPart;
        kit.parts[kit.parts.length - 1] = { ...alone, place: { ...alone.place, x: -x, flip: true } };
      }
    }
  }
  if (n.compartment !== 'none')
    kit.shape('compartment', 'Compartment', sizedForm(n.compartment, { widthPx: width * 2.3 }), ink, { x: 0, y: foot + h * 0.05 });
  if (n.top === 'helm' && n.flourish !== 'mantling')
    kit.shape('mantling', 'Mantling', { form: 'mantling', widthPx: width * 1.6, heightPx: h * 0.82 }, ink, { x: 0, y: -h * 0.36 });
}

/** The shield itself; a heater where the piece that it was to be is gone. */
export function containerOf(kit: Kit, n: Crest): Figure {
  const found = figure(kit, n, n.container, n.sizePx, n.sizePx * 1.6) ?? formFigure('heaterShield', { heightPx: n.sizePx });
  // A field has no holes: those of a piece that was brought are filled.
  return { ...found, name: 'Shield', ...('area' in found ? { area: withoutHoles(found.area) } : {}) };
}

/** What stands above the shield: crowns by their width, what was brought by its height. */
export function topOf(kit: Kit, n: Crest, width: number): Figure | undefined {
  if (n.top === 'none') return undefined;
  if (ownWordOf(n.top) !== undefined) return figure(kit, n, n.top, n.sizePx * 0.5, width);
  return formFigure(n.top as FormName, { widthPx: width * (n.top === 'helm' ? 0.42 : 0.66) });
}
