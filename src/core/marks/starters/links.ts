import { expect } from '../../result/result';
import { topLevel } from '../gather';
import { freePartId } from '../edit';
import { createPart, type Recipe } from '../recipe';
import { isKnown, labelOf, type KnownInput } from '../registry';
import type { Starter, StarterContext } from './starter';

/** Another mark of the brand that parts can follow. */
export interface OtherMark {
  readonly id: string;
  readonly name: string;
  readonly recipe: Recipe;
}

/** Parts that follow another mark: its initial, all of it, or one of its parts. */
export function linkStarters({ recipe }: StarterContext, marks: readonly OtherMark[]): readonly Starter[] {
  const started = (input: Omit<Extract<KnownInput, { kind: 'linked' }>, 'kind' | 'id'>, kind: string) => () => {
    const part = expect(createPart({ kind: 'linked', id: freePartId(recipe, kind), ...input }));
    return { parts: [part], chosen: part.id };
  };
  return marks.flatMap((mark): readonly Starter[] => {
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
        isKnown(part) && (part.kind !== 'picture' || !part.reference)
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
}
