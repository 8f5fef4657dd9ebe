/** Heraldry: tinctures, divisions, blazon. */
export { armsSchema, type Arms, type ArmsItem, type Charges } from './arms';
export { readBlazon, tinctureFaults, writeBlazon, type ReadBlazon, type ReadWord } from './blazon';
export { DIVISIONS, dividedField, ORDINARIES, ordinaryOn, type Division, type Ordinary } from './divisions';
export { edgeBetween, LINE_STYLES, type LineStyle } from './partition-lines';
export { ARRANGED, slotsOn, type Slot } from './slots';
export { oneOf, OWN_CHARGE, OWN_WORD, ownCharge, ownWordOf, severalOf, type OwnCharge } from './own-charges';
export { mayLieOn, TINCTURES, tinctureRow, type Tincture } from './tinctures';
export { CHARGE_NAMES, chargeRow, chargeWords, type ChargeName } from './vocabulary';
