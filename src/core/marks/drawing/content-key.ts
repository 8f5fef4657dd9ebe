import type { KnownPart } from '../registry';

/** What a part's picture depends on besides what it follows: everything but where, how strongly and in which dress it stands in the mark. */
const contentKeys = new WeakMap<KnownPart, string>();
export function contentKey(part: KnownPart): string {
  const kept = contentKeys.get(part);
  if (kept !== undefined) return kept;
  const {
    place: _place,
    opacity: _opacity,
    blend: _blend,
    hidden: _hidden,
    locked: _locked,
    ghost: _ghost,
    oneColor: _oneColor,
    treatments: _treatments,
    name: _name,
    id: _id,
    ...content
  } = part;
  const key = JSON.stringify(content);
  contentKeys.set(part, key);
  return key;
}
