import {
  addPart,
  createPart,
  expect,
  FORM_NAMES,
  isKnown,
  topLevel,
  formKind,
  freePartId,
  isBacking,
  labelOf,
  nameLettering,
  newShape,
  restack,
  ringTexts,
  secondLine,
  type FormName,
} from '$core/index';
import { ACCEPTED, UNSAID } from './bring-in';
import type { Table } from './table.svelte';

/** Something the add field offers. */
export interface Addable {
  readonly id: string;
  readonly label: string;
  readonly hint: string;
  readonly words: readonly string[];
  /** The form it draws, for its picture in the list. */
  readonly form?: FormName;
  readonly add: () => void;
}

/** Asks for files with the browser's own chooser. */
function chooseFiles(accept: string, take: (files: readonly File[]) => void): void {
  const chooser = document.createElement('input');
  chooser.type = 'file';
  chooser.accept = accept;
  chooser.multiple = true;
  chooser.addEventListener('change', () => take([...(chooser.files ?? [])]));
  chooser.click();
}

/** Everything the add field can add right now. */
export function addables(table: Table): readonly Addable[] {
  const recipe = table.open.recipe;
  const ink = table.desk.stage?.ink;
  const name = recipe.parts.find((part) => part.kind === 'lettering');
  const letterings: Addable[] = [
    {
      id: 'lettering',
      label: 'Lettering',
      hint: 'a line of live text',
      words: ['text', 'name', 'word', 'letters', 'type'],
      add: () => table.add(nameLettering(freePartId(recipe, 'lettering'), table.brand.name), 'Add lettering'),
    },
  ];
  if (name?.kind === 'lettering')
    letterings.push({
      id: 'second-line',
      label: 'Second line',
      hint: 'smaller, lighter, opened up',
      words: ['descriptor', 'est. line', 'tagline', 'text', 'subtitle'],
      add: () => table.add(secondLine(freePartId(recipe, 'second'), 'Second line', name, table.secondFamily), 'Add second line'),
    });
  const round = recipe.parts.findLast((part) => part.kind === 'shape' && (part.form.form === 'disk' || part.form.form === 'ring'));
  letterings.push({
    id: 'ring-text',
    label: 'Ring text',
    hint: round ? `around ${labelOf(round).toLowerCase()}, above and below` : 'above and below, on one center',
    words: ['circle', 'badge', 'arc', 'round', 'text', 'arch', 'curved'],
    add: () => {
      const upper = freePartId(recipe, 'ring-text');
      const lower = freePartId({ ...recipe, parts: [...recipe.parts, { kind: 'unknown', id: upper, original: {} }] }, 'ring-text');
      const around =
        round?.kind === 'shape' && (round.form.form === 'disk' || round.form.form === 'ring')
          ? { id: round.id, radiusPx: Math.min(round.form.widthPx, round.form.heightPx) / 2 }
          : undefined;
      const [over, under] = ringTexts(
        [upper, lower],
        [table.brand.name, 'Since the first day'],
        (name?.kind === 'lettering' ? name.font.family : undefined) ?? 'marcellus',
        around,
        ink,
      );
      table.open.commit('Add ring text', addPart(addPart(recipe, under), over));
      table.selectedId = over.id;
    },
  });
  const shapes = FORM_NAMES.map((form): Addable => {
    const { label, group, words } = formKind(form);
    const behind = isBacking(form);
    return {
      id: form,
      label,
      hint: behind ? `${group}, placed behind` : group,
      words: [...words, group],
      form,
      add: () => {
        const shape = newShape(freePartId(recipe, form), form, ink);
        const added = addPart(recipe, shape);
        table.open.commit(`Add ${label.toLowerCase()}`, behind ? restack(added, shape.id, 0) : added);
        table.selectedId = shape.id;
      },
    };
  });
  const curve: Addable = {
    id: 'curve',
    label: 'Free curve',
    hint: 'points and handles; a stroke, an area, a cut',
    words: ['draw', 'pen', 'path', 'line', 'swoosh', 'blob', 'bezier', 'shape'],
    add: () => {
      const middle = ink ? { x: Math.round((ink.left + ink.right) / 2), y: Math.round(ink.bottom + 40) } : { x: 0, y: 0 };
      // As wide as the mark, so that its name can stand on it.
      const half = ink ? Math.round(Math.max(60, (ink.right - ink.left) / 2)) : 150;
      const bend = Math.round(half / 3);
      const points = [
        { x: -half, y: 0, inX: 0, inY: 0, outX: bend, outY: -bend },
        { x: 0, y: 0, inX: -bend, inY: -bend, outX: bend, outY: bend },
        { x: half, y: 0, inX: -bend, inY: bend, outX: 0, outY: 0 },
      ];
      table.add(
        expect(createPart({ kind: 'curve', id: freePartId(recipe, 'curve'), points, place: { ...middle, turnDeg: 0 } })),
        'Add free curve',
      );
    },
  };
  const drawn: Addable = {
    id: 'draw',
    label: 'Draw a curve',
    hint: 'point by point on the stage',
    words: ['pen', 'path', 'line', 'bezier', 'freehand', 'shape'],
    add: () => {
      table.selectedId = undefined;
      table.drawing = true;
    },
  };
  const art: Addable = {
    id: 'art',
    label: 'Art from the library',
    hint: 'thousands of pieces, by thing or idea',
    words: ['picture', 'icon', 'animal', 'plant', 'symbol', 'drawing', 'svg', 'import', 'search'],
    add: () => table.art.show(),
  };
  const file = (reference: boolean) => () => chooseFiles(ACCEPTED, (files) => void table.bringIn(files, UNSAID, reference));
  const files: Addable[] = [
    {
      id: 'file',
      label: 'Drawing or picture from a file',
      hint: 'SVG, PNG, JPEG, WebP',
      words: ['picture', 'photo', 'image', 'import', 'upload', 'svg', 'png', 'jpeg', 'bring in'],
      add: file(false),
    },
    {
      id: 'reference',
      label: 'Reference picture',
      hint: 'beside or under the work, never in a file',
      words: ['reference', 'sketch', 'photo', 'trace', 'picture', 'inspiration', 'template'],
      add: file(true),
    },
  ];
  const links = table.marks
    .filter((mark) => mark.id !== table.info.id)
    .flatMap((mark): readonly Addable[] => {
      const source = mark.recipe.parts.find((part) => part.kind === 'lettering');
      const whole = topLevel(mark.recipe).flatMap((part): readonly Addable[] =>
        isKnown(part) && (part.kind !== 'picture' || !part.reference)
          ? [
              {
                id: `linked-${mark.id}-${part.id}`,
                label: `${labelOf(part)} of ${mark.name}`,
                hint: 'follows it',
                words: ['linked', part.kind, mark.name.toLowerCase()],
                add: () =>
                  table.add(
                    expect(
                      createPart({
                        kind: 'linked',
                        id: freePartId(recipe, 'linked'),
                        from: { mark: mark.id, part: part.id },
                        take: 'whole',
                      }),
                    ),
                    'Add linked part',
                  ),
              },
            ]
          : [],
      );
      const all: Addable = {
        id: `linked-${mark.id}`,
        label: `All of ${mark.name}`,
        hint: 'follows it',
        words: ['linked', 'mark', 'whole'],
        add: () =>
          table.add(
            expect(
              createPart({
                kind: 'linked',
                id: freePartId(recipe, 'linked'),
                name: mark.name,
                from: { mark: mark.id, part: null },
                take: 'whole',
              }),
            ),
            'Add linked mark',
          ),
      };
      if (!source) return [all, ...whole];
      const part = () =>
        expect(
          createPart({
            kind: 'linked',
            id: freePartId(recipe, 'initial'),
            from: { mark: mark.id, part: source.id },
            take: 'initial',
            sizePx: 160,
          }),
        );
      return [
        {
          id: `initial-${mark.id}`,
          label: `Initial of ${mark.name}`,
          hint: 'follows its first letter',
          words: ['linked', 'initial', 'monogram', 'letter'],
          add: () => table.add(part(), 'Add linked initial'),
        },
        all,
        ...whole,
      ];
    });
  return [...letterings, art, ...files, drawn, curve, ...shapes, ...links];
}
