import type { Hex, Palette } from '../color';
import type { MarkRole } from '../brand/mark-roles';
import { clearSpacePx, smallestCapPx } from '../checks/smallest-words';
import { silhouetteOf, smallestSafePx } from '../checks/survival';
import { boundsOf, heightOf, widthOf, type PathAlgebra } from '../geometry';
import type { DressedMark } from '../marks/one-color';
import type { PaintsOfMarks } from '../pieces';
import type { FontChoice } from '../type';

/** What is measured of a mark for its sheet. */
export interface MeasuredMark {
  /** Width against height. */
  readonly ratio: number;
  /** Its own unit of clear space, against its width. */
  readonly clearShare: number;
  /** Smallest safe size of its longer side, in px. */
  readonly safePx: number;
}
/** A mark as the sheet shows it. */
export interface SheetMark extends MeasuredMark {
  readonly id: string;
  readonly name: string;
  readonly role: MarkRole;
}
/** A face that the brand uses. */
export interface SheetFace {
  readonly is: string;
  readonly name: string;
  readonly font: FontChoice;
  readonly license: string;
  /** A face under an open license that looks most like it, where this one may not be passed on. */
  readonly freeInItsPlace?: string;
}
/** A picture of the brand, and what is taken from it. */
export interface TonePicture {
  readonly sha256: string;
  readonly name: string;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly caption: string;
}
/** Everything that a brand sheet tells. */
export interface SheetFacts {
  readonly name: string;
  readonly promise: string;
  readonly audience: string;
  readonly avoid: string;
  readonly keywords: readonly string[];
  readonly contact: string;
  readonly palette: Palette;
  readonly marks: readonly SheetMark[];
  /** What each mark is drawn in. */
  readonly paints: PaintsOfMarks;
  readonly faces: readonly SheetFace[];
  readonly pictures: readonly TonePicture[];
  readonly pieces: readonly { readonly id: string; readonly name: string }[];
  /** Pictures of marks on goods, with what they show. */
  readonly goods: readonly TonePicture[];
  /** Faces that the sheet itself is set in. */
  readonly heading: FontChoice;
  readonly text: FontChoice;
}

/** @param mark in full color @param inOne the same in one color: what is left of it small is measured on that */
export function measuredMark(mark: DressedMark, inOne: DressedMark, paths: PathAlgebra): MeasuredMark | undefined {
  const { ink } = mark;
  if (!ink || widthOf(ink) <= 0 || heightOf(ink) <= 0) return undefined;
  const area = inOne.oneColor?.areas[0];
  const box = area && boundsOf(area.path);
  const safePx = area && box ? smallestSafePx(silhouetteOf(area, box, paths), smallestCapPx(mark)) : 0;
  return { ratio: widthOf(ink) / heightOf(ink), clearShare: clearSpacePx(mark) / widthOf(ink), safePx };
}

/** A color as people write it down: hex, then red, green and blue. */
export const rgbWords = (hex: Hex): string => [1, 3, 5].map((at) => String(Number.parseInt(hex.slice(at, at + 2), 16))).join(' · ');
