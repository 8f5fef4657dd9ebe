import type { Bounds } from '../geometry';
import type { ResolvedMark, ResolvedPart } from '../marks';
import { groupMarkup } from './svg';

/** A mark as a page shows it: the writer's own markup, part by part, so that only what changed is replaced. */
export interface ScreenPicture {
  readonly groups: readonly { readonly id: string; readonly markup: string }[];
  readonly ink: Bounds | undefined;
  readonly parts: readonly ResolvedPart[];
}

export const screenPicture = (mark: ResolvedMark, idPrefix: string): ScreenPicture => ({
  groups: mark.drawing.groups.map((group) => ({ id: group.id, markup: groupMarkup(group, idPrefix) })),
  ink: mark.ink,
  parts: mark.parts,
});
