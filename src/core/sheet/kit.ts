import type { ColorKey, Role } from '../color';
import { heightOf, widthOf, type Bounds } from '../geometry';
import type { Anchor } from '../output/canvas';
import { createPart } from '../marks/recipe/recipe';
import type { KnownInput, KnownPart } from '../marks/registry';
import { repaintOn } from '../pieces/pour';
import { expect } from '../result/result';
import { lenderOf } from '../type';
import type { SheetFacts, TonePicture } from './facts';

type Paint = { readonly role: ColorKey } | { readonly hex: `#${string}` };
interface Words {
  readonly is?: 'heading' | 'text';
  readonly size: number;
  readonly align?: 'start' | 'center' | 'end';
  readonly stands?: 'top' | 'middle' | 'foot';
  readonly paint?: Paint;
  readonly tracking?: number;
  readonly caps?: boolean;
  readonly leading?: number;
}

/** Draws what pages are made of: parts like those of any mark, back to front. */
export class SheetKit {
  readonly parts: KnownPart[] = [];
  #made = 0;

  /** @param on the swatch that the page is painted with @param ink what words are painted with on it */
  constructor(
    readonly facts: SheetFacts,
    readonly on: Role,
    readonly ink: Role,
  ) {}

  add(part: Omit<KnownInput, 'id'> & { readonly kind: string }): string {
    const id = `p-${++this.#made}`;
    const input = { ...part, id } as KnownInput;
    // The sheet's own words are Latin, whatever script the brand's faces are for.
    const lent = input.kind === 'lettering' ? { ...input, fallback: lenderOf(input.font.family, input.text) } : input;
    this.parts.push(expect(createPart(lent)) as KnownPart);
    return id;
  }
  words(
    box: Bounds,
    text: string,
    { is = 'text', size, align = 'start', stands = 'top', paint = { role: this.ink }, tracking = 0, caps = false, leading = 320 }: Words,
  ): void {
    if (text.trim() === '') return;
    const x = align === 'start' ? box.left : align === 'end' ? box.right : (box.left + box.right) / 2;
    this.add({
      ...{ kind: 'lettering', text, font: is === 'heading' ? this.facts.heading : this.facts.text, sizePx: size, align, paint },
      ...{ trackingPermille: tracking, case: caps ? 'upper' : 'typed', leadingPermille: is === 'heading' ? 120 : leading },
      wrap: { widthPx: Math.max(4, widthOf(box)), heightPx: Math.max(4, heightOf(box)), leastPercent: 40, stands, even: is === 'heading' },
      place: { x, y: box.top, turnDeg: 0 },
    } as never);
  }
  panel(box: Bounds, paint: Paint, corner = 0): void {
    this.add({
      ...{
        kind: 'shape',
        form: { form: 'panel', widthPx: Math.max(0.1, widthOf(box)), heightPx: Math.max(0.1, heightOf(box)), cornerPx: corner },
      },
      ...{ paint, place: { x: (box.left + box.right) / 2, y: (box.top + box.bottom) / 2, turnDeg: 0 } },
    } as never);
  }
  /** A hairline along a box's edge, or a level line where the box has no height. */
  line(box: Bounds, thick: number, paint: Paint = { role: this.ink }): void {
    const [wide, high] = [widthOf(box), heightOf(box)];
    if (wide > 0 && high > 0)
      this.add({
        ...{ kind: 'shape', form: { form: 'panel', widthPx: wide, heightPx: high, cornerPx: 0 }, paint },
        ...{
          treatments: [{ kind: 'outline-only', id: 't-1', widthPx: thick * 2 }],
          place: { x: (box.left + box.right) / 2, y: (box.top + box.bottom) / 2, turnDeg: 0 },
        },
      } as never);
    else
      this.panel(
        {
          left: box.left - (wide > 0 ? 0 : thick / 2),
          right: box.right + (wide > 0 ? 0 : thick / 2),
          top: box.top - (high > 0 ? 0 : thick / 2),
          bottom: box.bottom + (high > 0 ? 0 : thick / 2),
        },
        paint,
      );
  }
  /** A picture that fills a box. */
  picture(box: Bounds, { sha256, widthPx, heightPx, name }: TonePicture): void {
    const shown = this.add({
      ...{ kind: 'picture', sha256, fileWidthPx: widthPx, fileHeightPx: heightPx },
      source: { title: name || 'Picture', author: '', license: 'unknown' },
    } as never);
    this.add({
      ...{ kind: 'frame', fit: 'cover', members: [shown], widthPx: Math.max(1, widthOf(box)), heightPx: Math.max(1, heightOf(box)) },
      place: { x: (box.left + box.right) / 2, y: (box.top + box.bottom) / 2, turnDeg: 0 },
    } as never);
  }
  /** A mark, fitted into a box. @param ground what it stands on, so that it is seen there @param more what is done to it: for counter-examples */
  mark(
    box: Bounds,
    mark: string,
    {
      ground = this.on,
      anchor = 'center',
      repaint,
      frame = {},
    }: { ground?: Role; anchor?: Anchor; repaint?: readonly object[]; frame?: object } = {},
  ): void {
    const link = this.add({
      kind: 'linked',
      from: { mark, part: null },
      take: 'whole',
      repaint: repaint ?? repaintOn(ground, this.facts.palette, this.facts.paints(mark)),
    } as never);
    this.add({
      ...{ kind: 'frame', members: [link], widthPx: Math.max(1, widthOf(box)), heightPx: Math.max(1, heightOf(box)), anchor },
      ...{ place: { x: (box.left + box.right) / 2, y: (box.top + box.bottom) / 2, turnDeg: 0 }, ...frame },
    } as never);
  }
}

/** Boxes of a grid in a box, row by row, with gaps between. */
export function cells({ left, top, right, bottom }: Bounds, columns: number, rows: number, gap: number): readonly Bounds[] {
  const [wide, high] = [(right - left - gap * (columns - 1)) / columns, (bottom - top - gap * (rows - 1)) / rows];
  return Array.from({ length: rows * columns }, (_, at) => {
    const [x, y] = [left + (at % columns) * (wide + gap), top + Math.floor(at / columns) * (high + gap)];
    return { left: x, top: y, right: x + wide, bottom: y + high };
  });
}
/** Columns and rows that suit so many things in a box. */
export function gridFor(count: number, box: Bounds): { readonly columns: number; readonly rows: number } {
  const columns = Math.max(1, Math.min(count, Math.round(Math.sqrt((count * widthOf(box)) / heightOf(box)))));
  return { columns, rows: Math.max(1, Math.ceil(count / columns)) };
}
