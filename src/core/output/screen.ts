import type { Bounds } from '../geometry';
import type { ResolvedMark, ResolvedPart } from '../marks';
import { groupPieces, type GroupPieces } from './svg';

/** A mark as a page shows it, part by part. */
export interface ScreenPicture {
  readonly groups: readonly GroupPieces[];
  readonly ink: Bounds | undefined;
  readonly parts: readonly ResolvedPart[];
}

export const screenPicture = (mark: ResolvedMark, idPrefix: string): ScreenPicture => ({
  groups: mark.drawing.groups.map((group) => groupPieces(group, idPrefix)),
  ink: mark.ink,
  parts: mark.parts,
});
