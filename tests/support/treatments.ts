import { newTreatment, type KnownTreatment, type TreatmentKindName } from '$core/index';

/** What a kind is given so that it does something: a hand that drew nothing leaves all as it was. */
const GIVEN: Partial<Record<TreatmentKindName, Readonly<Record<string, unknown>>>> = {
  'by-hand': {
    strokes: [
      { how: 'away', brush: 'rough', widthPx: 12, points: [[-60, -20], [0, 0], [60, -30]] }, // prettier-ignore
      { how: 'on', brush: 'dry', widthPx: 10, paint: { role: 'accent' }, points: [[-50, 20], [10, 28], [70, 10]] }, // prettier-ignore
      { how: 'inside', brush: 'chalk', widthPx: 16, paint: { role: 'second' }, points: [[-20, -60], [5, 60]] }, // prettier-ignore
    ],
  },
};

/** A treatment of a kind that does something. */
export const begun = (kind: TreatmentKindName, id = 't'): KnownTreatment => newTreatment(kind, id, GIVEN[kind] ?? {});
