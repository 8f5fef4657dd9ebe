/**
 * Metals and colors of heraldry, and how they are engraved in one color.
 * @source S. Petra Sancta, "Tesserae gentilitiae", 1638: or dotted, argent plain, azure level, gules upright, vert from dexter chief to sinister base,
 * purpure from sinister chief to dexter base, sable level and upright
 */
export const TINCTURES = ['or', 'argent', 'azure', 'gules', 'vert', 'purpure', 'sable'] as const;
export type Tincture = (typeof TINCTURES)[number];

interface TinctureRow {
  readonly kind: 'metal' | 'color';
  /** Directions of its lines, in degrees clockwise on screen from level; dots have none. */
  readonly lines: readonly number[];
  readonly dots: boolean;
  readonly says: string;
}
const ROWS: { readonly [T in Tincture]: TinctureRow } = {
  or: { kind: 'metal', lines: [], dots: true, says: 'gold, yellow' },
  argent: { kind: 'metal', lines: [], dots: false, says: 'silver, white' },
  azure: { kind: 'color', lines: [0], dots: false, says: 'blue' },
  gules: { kind: 'color', lines: [90], dots: false, says: 'red' },
  vert: { kind: 'color', lines: [45], dots: false, says: 'green' },
  purpure: { kind: 'color', lines: [-45], dots: false, says: 'purple' },
  sable: { kind: 'color', lines: [0, 90], dots: false, says: 'black' },
};
export const tinctureRow = (tincture: Tincture): TinctureRow => ROWS[tincture];

/** Whether one tincture may lie on another: no metal on metal, no color on color. @source the rule of tincture, common to all handbooks */
export const mayLieOn = (over: Tincture, under: Tincture): boolean => ROWS[over].kind !== ROWS[under].kind;
