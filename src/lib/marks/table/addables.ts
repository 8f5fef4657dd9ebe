import {
  BUILDER_NAMES,
  builderRow,
  contactLines,
  contactStarts,
  linkStarters,
  looksOf,
  OWN_TREATMENTS,
  startersFor,
  TREATMENT_STACKS,
  treatmentKinds,
  withStarted,
  type FormName,
  type KnownInput,
  type Started,
  type Starter,
  type StarterContext,
} from '$core/index';
import { request, sentences } from '$lib/client/request';
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
  /** How many texts it can begin with. */
  readonly texts?: number;
  readonly add: (texts?: readonly string[]) => void;
}

/** As many contact lines as anybody types at once. */
const MOST_LINES = 12;

/** Asks for files with the browser's own chooser. */
function chooseFiles(accept: string, take: (files: readonly File[]) => void): void {
  const chooser = document.createElement('input');
  chooser.type = 'file';
  chooser.accept = accept;
  chooser.multiple = true;
  chooser.addEventListener('change', () => take([...(chooser.files ?? [])]));
  chooser.click();
}

/** What is started becomes part of the mark, as one gesture, and is in hand. */
export function addStarted(table: Table, label: string, started: Started): void {
  table.open.commit(`Add ${label.charAt(0).toLowerCase()}${label.slice(1)}`, withStarted(table.open.recipe, started));
  table.selectedId = started.chosen;
}

export const starterContext = (table: Table): StarterContext => ({
  recipe: table.open.recipe,
  ink: table.desk.stage?.ink,
  brandName: table.brand.name,
  secondFamily: table.secondFamily,
  chosen: table.selectedId,
});

async function addContactLines(table: Table, texts?: readonly string[]): Promise<void> {
  const wanted = contactStarts(texts).slice(0, MOST_LINES);
  const answers = await Promise.all(
    wanted.map(({ art }) => request<Omit<KnownInput, 'id'>>('GET', `/api/art/${art}?brand=${table.brand.slug}`)),
  );
  const lost = answers.flatMap((answer) => (answer.ok ? [] : answer.problems));
  if (lost.length > 0) table.said = `Some symbols could not be had: ${sentences(lost)}`;
  const starts = wanted.map(({ text }, index) => {
    const answer = answers[index];
    return { text, symbol: answer?.ok ? ({ ...answer.value, id: 'symbol' } as KnownInput) : undefined };
  });
  const name = table.parts.find((part) => part.kind === 'lettering');
  const family = table.secondFamily ?? (name?.kind === 'lettering' ? name.font.family : 'jost');
  addStarted(table, 'Contact lines', contactLines(table.open.recipe, starts, { family, ink: table.desk.stage?.ink }));
}

/** Every treatment, then the looks to start from: on what is chosen, else on the whole mark. */
function treatmentAddables({ treating, chosen, palette }: Table): readonly Addable[] {
  const on = chosen.length === 0 ? ' on the whole mark' : '';
  return [
    ...looksOf(palette).map((look): Addable => ({
      id: `brand-look-${look.id}`,
      label: look.name,
      hint: `brand look${on} · changed once, changed wherever it is worn`,
      words: ['look', 'treatment', 'style', 'brand look'],
      add: () => treating.wear(look),
    })),
    ...OWN_TREATMENTS.map((kind) => ({ kind, ...treatmentKinds[kind] })).map(({ kind, label, hint, words }): Addable => ({
      id: `treatment-${kind}`,
      label,
      hint: `treatment${on} · ${hint.charAt(0).toLowerCase()}${hint.slice(1)}`,
      words: ['treatment', 'effect', ...words],
      add: () => treating.add(`Add ${label.toLowerCase()}`, [[kind]]),
    })),
    ...TREATMENT_STACKS.map(({ id, label, hint, words, treatments }): Addable => ({
      id: `look-${id}`,
      label,
      hint: `look${on} · ${hint}`,
      words: ['look', 'treatment', 'style', ...words],
      add: () => treating.add(label, treatments),
    })),
  ];
}

/** Everything the add field can add right now: what the core starts, and what must be asked for first. */
export function addables(table: Table): readonly Addable[] {
  const context = starterContext(table);
  const started = ({ make, ...words }: Starter): Addable => ({ ...words, add: (texts) => addStarted(table, words.label, make(texts)) });
  const file = (reference: boolean) => () => chooseFiles(ACCEPTED, (files) => void table.bringIn(files, UNSAID, reference));
  const asked: readonly Addable[] = [
    {
      id: 'contact-lines',
      label: 'Contact lines',
      hint: 'symbol and words, one height, one gap',
      words: ['phone', 'mail', 'address', 'website', 'business card', 'social', 'list'],
      texts: MOST_LINES,
      add: (texts) => void addContactLines(table, texts),
    },
    {
      id: 'art',
      label: 'Art from the library',
      hint: 'thousands of pieces, by thing or idea',
      words: ['picture', 'icon', 'animal', 'plant', 'symbol', 'drawing', 'svg', 'import', 'search'],
      add: () => table.art.show(),
    },
    {
      id: 'picture-from-words',
      label: 'Picture from words',
      hint: 'say what is to be seen; a picture service makes it',
      words: ['picture', 'photo', 'image', 'generate', 'describe', 'portrait', 'illustration'],
      add: () => (table.wording = true),
    },
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
    {
      id: 'draw',
      label: 'Draw a curve',
      hint: 'point by point on the stage',
      words: ['pen', 'path', 'line', 'bezier', 'freehand', 'shape'],
      add: () => {
        table.selectedId = undefined;
        table.drawing = true;
      },
    },
  ];
  const built = BUILDER_NAMES.map((name): Addable => {
    const { label, hint, words } = builderRow(name);
    return {
      id: `built-${name}`,
      label,
      hint: `built · ${hint.charAt(0).toLowerCase()}${hint.slice(1)}`,
      words,
      add: () => void table.building.add(name),
    };
  });
  const others = table.atHand.filter((mark) => mark.id !== table.info.id && mark.role !== 'piece');
  const starters = startersFor(context);
  const texts = starters.findIndex(({ form }) => form !== undefined);
  return [
    ...starters.slice(0, texts).map(started),
    ...built,
    ...asked,
    ...starters.slice(texts).map(started),
    ...linkStarters(context, others).map(started),
    ...treatmentAddables(table),
  ];
}
