import type { Bounds } from '../geometry';
import type { DressedMark, Group, OneColorPart, ResolvedPart } from '../marks';
import type { Problem } from '../result/result';
import { groupPieces, type GroupPieces } from './svg';

/** A mark as a page shows it, part by part. */
export interface ScreenPicture {
  readonly groups: readonly GroupPieces[];
  readonly ink: Bounds | undefined;
  readonly parts: readonly ResolvedPart[];
  /** What the designer should know about treatments of the whole mark. */
  readonly wholeNotices?: readonly Problem[];
  /** Whether some of it is only a quick picture of what it will be. */
  readonly rough?: true;
  /** In one color: what the designer should know of it. */
  readonly notices?: readonly Problem[];
  /** In one color: what every part became. */
  readonly decided?: readonly OneColorPart[];
  /** Parts that hold light and dark side by side. */
  readonly portraits?: readonly string[];
}

/** A picture that is only looked at. */
export type DrawnPicture = Omit<ScreenPicture, 'parts'>;

const written = new WeakMap<Group['children'], Map<string, { readonly group: Group; readonly pieces: GroupPieces }>>();

const sameGroup = (one: Group, other: Group): boolean =>
  one.id === other.id &&
  one.opacity === other.opacity &&
  one.blend === other.blend &&
  one.clip === other.clip &&
  (['a', 'b', 'c', 'd', 'e', 'f'] as const).every((key) => one.transform[key] === other.transform[key]);

/** A group written for a page; the same group is the same object again, so that it is known to be unchanged. */
function writtenGroup(group: Group, prefix: string, pictureBase: string, lent: ReadonlyMap<string, string>): GroupPieces {
  const byPrefix = written.get(group.children) ?? new Map<string, { readonly group: Group; readonly pieces: GroupPieces }>();
  written.set(group.children, byPrefix);
  const key = `${pictureBase} ${prefix}${group.id}`;
  const kept = byPrefix.get(key);
  if (kept && sameGroup(kept.group, group)) return kept.pieces;
  const pieces = groupPieces(group, prefix, (sha256) => lent.get(sha256) ?? `${pictureBase}${sha256}`);
  byPrefix.set(key, { group, pieces });
  return pieces;
}

/**
 * @param pictureBase stands before the digest in the addresses of its pictures
 * @param lent addresses of pictures that are had elsewhere, by what stands for their digests
 */
export const screenPicture = (
  mark: DressedMark,
  idPrefix: string,
  pictureBase = '',
  lent: ReadonlyMap<string, string> = new Map(),
): ScreenPicture => ({
  groups: mark.drawing.groups.map((group) => writtenGroup(group, idPrefix, pictureBase, lent)),
  ink: mark.ink,
  parts: mark.parts,
  ...(mark.notices && mark.notices.length > 0 ? { wholeNotices: mark.notices } : {}),
  ...(mark.rough ? { rough: true } : {}),
  ...(mark.oneColor ? { notices: mark.oneColor.notices, decided: mark.oneColor.parts, portraits: mark.oneColor.portraits } : {}),
});

/** A picture after another one: groups that have not changed are named only. */
export interface PictureNews extends Omit<ScreenPicture, 'groups'> {
  readonly groups: readonly (GroupPieces | { readonly same: string })[];
}

/** What is new in a picture. @param before the groups that were told last, by id; brought up to date */
export function newsOf(picture: ScreenPicture, before: Map<string, GroupPieces>): PictureNews {
  const groups = picture.groups.map((group) => (before.get(group.id) === group ? { same: group.id } : group));
  before.clear();
  for (const group of picture.groups) before.set(group.id, group);
  return { ...picture, groups };
}

/** The whole picture again. @param before the groups that were shown last */
export function withNews(news: PictureNews, before: readonly GroupPieces[]): ScreenPicture {
  const known = new Map(before.map((group) => [group.id, group]));
  return { ...news, groups: news.groups.flatMap((group) => ('same' in group ? (known.get(group.same) ?? []) : [group])) };
}
