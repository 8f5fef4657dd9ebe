import type { StoredForm } from '../stored';
import { boardSchema, type Board } from './board';
import { briefSchema, type Brief } from './brief';
import { makingLimitsSchema, type MakingLimits } from '../checks/makings';
import { handoverPlanSchema, type HandoverPlan } from '../handover/plan';
import { keptPalettesSchema, type KeptPalettes } from './kept-palettes';
import { photoDeskSchema, type PhotoDesk } from '../watermark/settings';
import { goodsDeskSchema, type GoodsDesk } from '../scenes/goods-desk';
import { sheetSchema, type Sheet } from '../sheet/sheet';
import { typeDeskSchema, type TypeDesk } from './type-desk';

/** The documents a brand has one of each; a new kind is one schema and one row. */
export const documentForms: {
  readonly brief: StoredForm<Brief>;
  readonly board: StoredForm<Board>;
  readonly type: StoredForm<TypeDesk>;
  readonly palettes: StoredForm<KeptPalettes>;
  readonly makers: StoredForm<MakingLimits>;
  readonly handover: StoredForm<HandoverPlan>;
  readonly photos: StoredForm<PhotoDesk>;
  readonly goods: StoredForm<GoodsDesk>;
  readonly sheet: StoredForm<Sheet>;
} = {
  brief: { label: 'This brief', steps: [], schema: briefSchema },
  board: { label: 'This board', steps: [], schema: boardSchema },
  type: { label: 'This type desk', steps: [], schema: typeDeskSchema },
  palettes: { label: 'These palettes', steps: [], schema: keptPalettesSchema },
  makers: { label: 'These limits', steps: [], schema: makingLimitsSchema },
  handover: { label: 'This plan', steps: [], schema: handoverPlanSchema },
  photos: { label: 'What is laid over photos', steps: [], schema: photoDeskSchema },
  goods: { label: 'How goods are shown', steps: [], schema: goodsDeskSchema },
  sheet: { label: 'This sheet', steps: [], schema: sheetSchema },
};
export type DocumentKind = keyof typeof documentForms;
