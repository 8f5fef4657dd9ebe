import { expect } from '../../result/result';
import { topLevel } from '../gathering/gather';
import { freePartId } from '../recipe/edit';
import { createPart, type Recipe } from '../recipe/recipe';
import { isKnown, isOnlySeen, labelOf, type KnownInput } from '../registry';
import type { Starter, StarterContext } from './starter';

/** Another mark of the brand that parts can follow. */
export interface OtherMark {
  readonly id: string;
  readonly name: string;
  readonly recipe: Recipe;
}

/** Parts that follow: words of this mark again; another mark's initial, all of it, or one of its parts. */
export function linkStarters({ recipe, ink }: StarterContext, marks: readonly OtherMark[]): readonly Starter[] {
  const started = (input: Omit<Extract<KnownInput, { kind: 'linked' }>, 'kind' | 'id'>, kind: string) => () => {
    const part = expect(createPart({ kind: 'linked', id: freePartId(recipe, kind), ...input }));
    return { parts: [part], chosen: part.id };
  };
  const below = (sizePx: number) => ({
    x: ink ? Math.round((ink.left + ink.right) / 2) : 0,
    y: ink ? Math.round(ink.bottom + sizePx * 1.2) : 0,
    turnDeg: 0,
  });
  /** A name that stands in the mark twice is typed once: on a ring, on a second line, or straight below. */
  const again = topLevel(recipe).flatMap((part): readonly Starter[] => {
    if (part.kind !== 'lettering' || part.text.trim() === '') return [];
    const [words, from] = [labelOf(part), { mark: null, part: part.id }];
    const radiusPx = Math.round(ink ? Math.hypot(ink.right - ink.left, ink.bottom - ink.top) / 2 + 40 : 180);
    const ring = { shape: 'arc', form: 'ring', side: 'over', radiusPx, around: null } as const;
    const middle = ink ? { x: Math.round((ink.left + ink.right) / 2), y: Math.round((ink.top + ink.bottom) / 2), turnDeg: 0 } : undefined;
    return [
      {
        id: `again-${part.id}`,
        label: `${words}, again`,
        hint: 'follows its words and its look',
        words: ['linked', 'repeat', 'same', 'follow'],
        make: started({ from, take: 'whole', place: below(part.sizePx), own: { companion: null, line: { shape: 'straight' } } }, 'linked'),
      },
      {
        id: `again-ring-${part.id}`,
        label: `${words}, again on a ring`,
        hint: 'follows its words',
        words: ['linked', 'ring text', 'repeat', 'round', 'circle', 'follow'],
        make: started(
          {
            from,
            take: 'whole',
            sizePx: Math.max(6, Math.round(radiusPx * 0.2)),
            ...(middle ? { place: middle } : {}),
            own: { companion: null, align: 'center', fit: null, trackingPermille: 140, line: ring },
          },
          'linked',
        ),
      },
    ];
  });
  const others = marks.flatMap((mark): readonly Starter[] => {
    const source = mark.recipe.parts.find((part) => part.kind === 'lettering');
    return [
      ...(source
        ? [
            {
              id: `initial-${mark.id}`,
              label: `Initial of ${mark.name}`,
              hint: 'follows its first letter',
              words: ['linked', 'initial', 'monogram', 'letter'],
              make: started({ from: { mark: mark.id, part: source.id }, take: 'initial', sizePx: 160 }, 'initial'),
            },
          ]
        : []),
      {
        id: `linked-${mark.id}`,
        label: `All of ${mark.name}`,
        hint: 'follows it',
        words: ['linked', 'mark', 'whole'],
        make: started({ name: mark.name, from: { mark: mark.id, part: null }, take: 'whole' }, 'linked'),
      },
      ...topLevel(mark.recipe).flatMap((part): readonly Starter[] =>
        isKnown(part) && !isOnlySeen(part)
          ? [
              {
                id: `linked-${mark.id}-${part.id}`,
                label: `${labelOf(part)} of ${mark.name}`,
                hint: 'follows it',
                words: ['linked', part.kind, mark.name.toLowerCase()],
                make: started({ from: { mark: mark.id, part: part.id }, take: 'whole' }, 'linked'),
              },
            ]
          : [],
      ),
    ];
  });
  return [...again, ...others];
}
