import type { Scene } from '../scene';
import { boat, sign } from './boards';
import { cards } from './cards';
import { apron, shirtBack, shirtFront, tote } from './cloth-goods';
import { mug } from './mug';
import { book, box, hangTag, letterhead, paperBag } from './paper';
import { cap, pouch } from './soft-goods';
import { enamelCup, jar, tin } from './vessels';

/** All goods that can be traced, by name. @param widthPx of the picture */
export const GOODS: { readonly [name: string]: (widthPx: number) => Scene } = {
  mug,
  'enamel-cup': enamelCup,
  cards,
  letterhead,
  box,
  'paper-bag': paperBag,
  'hang-tag': hangTag,
  book,
  tin,
  jar,
  shirt: shirtFront,
  'shirt-back': shirtBack,
  tote,
  apron,
  sign,
  boat,
  pouch,
  cap,
};
