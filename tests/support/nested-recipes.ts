import { createPart, expect as valueOf, type KnownPart, type Recipe, RECIPE_VERSION } from '$core/index';
import { letteringInput } from './drawn-mark';
import { random } from './random';

type PartInput = Parameters<typeof createPart>[0];

/** A recipe of groups, sets, combinations, lockups and inlays nested up to 4 deep, with followers and leaders anywhere in it. */
export function nestedRecipe(seed: number): Recipe {
  const next = random(seed);
  const pick = <T>(from: readonly T[]): T => from[Math.floor(next() * from.length)] as T;
  const parts: KnownPart[] = [];
  const add = (input: PartInput) => parts.push(valueOf(createPart(input)));
  const place = () => ({
    x: Math.round(next() * 400 - 200),
    y: Math.round(next() * 400 - 200),
    turnDeg: next() < 0.5 ? Math.round(next() * 360) : 0,
    ...(next() < 0.5 ? { scale: 0.4 + next() * 2 } : {}),
    ...(next() < 0.3 ? { flip: true } : {}),
  });
  const build = (depth: number): string[] => {
    const ids: string[] = [];
    for (let n = 1 + Math.floor(next() * 3); n > 0; n--) {
      const id = `p${parts.length}`;
      const what = next();
      const some = parts.filter(({ kind }) => kind === 'shape' || kind === 'lettering').map((part) => part.id);
      const names = parts.filter(({ kind }) => kind === 'lettering').map((part) => part.id);
      if (depth > 0 && what < 0.45) {
        const members = build(depth - 1);
        const kind = pick(['group', 'group', 'symmetry', 'combination', 'inlay', 'lockup']);
        const more =
          kind === 'symmetry'
            ? { rule: pick(['mirror', 'around']), count: 3 }
            : kind === 'combination'
              ? { how: 'unite' }
              : kind === 'lockup'
                ? { symbol: members[0] }
                : {};
        add({ kind, id: `p${parts.length}`, members, place: place(), ...more } as PartInput);
        ids.push(`p${parts.length - 1}`);
        continue;
      }
      if (what < 0.6 || some.length === 0)
        add({
          kind: 'shape',
          id,
          form: { form: 'panel', widthPx: 40 + next() * 60, heightPx: 40 + next() * 60, cornerPx: 0 },
          place: place(),
        } as PartInput);
      else if (what < 0.7)
        add({ kind: 'band', id, of: pick(some), widthPx: 4, join: 'miter', place: { x: 0, y: 0, turnDeg: 0 } } as PartInput);
      else {
        const follows = pick(['none', 'ring', 'fit', 'second']);
        add(
          letteringInput({
            id,
            text: pick(['Oar', 'W', 'salt']),
            sizePx: 20 + next() * 30,
            place: place(),
            ...(follows === 'ring'
              ? { line: { shape: 'arc', form: 'ring', side: 'over', radiusPx: 100, around: { part: pick(some), insetPx: -10 } } }
              : {}),
            ...(follows === 'fit'
              ? { fit: { to: { kind: 'part', part: pick(some) }, by: [{ means: 'size', min: 0.1, max: 20000 }] } }
              : {}),
            ...(follows === 'second' && names.length > 0 ? { companion: { part: pick(names), sizePercent: 40, gapPermille: 200 } } : {}),
          }),
        );
      }
      ids.push(id);
    }
    return ids;
  };
  const all = build(3);
  add({ kind: 'group', id: 'all', members: all } as PartInput);
  return { version: RECIPE_VERSION, parts };
}
