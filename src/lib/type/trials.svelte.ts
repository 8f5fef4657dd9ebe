import { getContext, setContext } from 'svelte';
import {
  createQualityReader,
  distance,
  faceFor,
  feelFilter,
  nearness,
  rankPairings,
  scriptsNeeded,
  type Brief,
  type CatalogueEntry,
  type FaceMeasures,
  type FontChoice,
  type Nearness,
  type Pairing,
  type Qualities,
  type ShippedFamily,
  type TypeDesk,
} from '$core/index';
import type { OpenDocument } from '$lib/client/work/open-document.svelte';
import type { DrawingDesk } from '$lib/client/drawing-desk.svelte';
import type { WordPicture } from '$workers/draw';

/** A family as it stands on the table of trials. */
export interface Trial {
  readonly id: string;
  readonly name: string;
  readonly group: string;
  readonly license: string;
  readonly entry: CatalogueEntry;
  readonly qualities: Qualities;
  readonly nearness: Nearness;
  /** Whether it is a client's own font. */
  readonly own: boolean;
}

/** What the chart and the order can look at. */
export const MEASURE_LABELS = {
  weight: 'stem / x-height',
  proportion: 'width',
  contrast: 'contrast',
  xHeight: 'x-height',
  capHeight: 'cap height',
  hairline: 'thin strokes',
  slantDeg: 'slant',
  stressDeg: 'stress angle',
  serifReach: 'serif reach',
  roundness: 'round ends',
  sideBearing: 'side bearings',
  evenness: 'even rhythm',
  outlineLength: 'outline per letter',
} as const satisfies Partial<Record<keyof FaceMeasures, string>>;
export type ShownMeasure = keyof typeof MEASURE_LABELS;
export const SHOWN_MEASURES = Object.keys(MEASURE_LABELS) as readonly ShownMeasure[];

export type Order =
  | { readonly by: 'brief' }
  | { readonly by: 'name' }
  | { readonly by: 'measure'; readonly measure: ShownMeasure }
  | { readonly by: 'likeness'; readonly to: string }
  | { readonly by: 'panel'; readonly ratio: number };

/** A brush on the chart: faces outside it are not shown. */
export interface Brush {
  readonly x: readonly [number, number];
  readonly y: readonly [number, number];
}

/** Faces for other scripts lend their Latin from a sister; they stand in the trials only when the text needs them. */
const LATIN_ONLY = /^[ -\u024f\u2000-\u206f]*$/;

/** The trials of one brand: which faces, in which order, set in which words. */
export class Trials {
  order: Order = $state.raw({ by: 'brief' });
  asked = $state('');
  needs: readonly string[] = $state.raw([]);
  brush: Brush | undefined = $state.raw();
  chart: { readonly x: ShownMeasure; readonly y: ShownMeasure } = $state.raw({ x: 'weight', y: 'proportion' });
  current: string | undefined = $state();
  setting: 'name' | 'upper' | 'line' = $state('name');
  pictures: ReadonlyMap<string, WordPicture> = $state.raw(new Map());
  showDropped = $state(false);

  readonly all: readonly Trial[];
  readonly #byId: ReadonlyMap<string, Trial>;

  constructor(
    readonly brand: { readonly name: string; readonly slug: string },
    readonly brief: Brief,
    readonly desk: OpenDocument<TypeDesk>,
    readonly families: readonly ShippedFamily[],
    catalogue: Readonly<Record<string, CatalogueEntry>>,
    readonly drawing: DrawingDesk,
  ) {
    const rows = families
      .filter(({ removed }) => !removed)
      .flatMap((family) => {
        const entry = catalogue[faceFor(family, { family: family.id, style: 'normal', axes: {} }).file];
        return entry ? [{ family, entry }] : [];
      });
    const read = createQualityReader(rows.filter(({ family }) => !family.id.startsWith('own-')).map(({ entry }) => entry));
    this.all = rows.map(({ family, entry }) => {
      const qualities = read(entry);
      return {
        id: family.id,
        name: family.name,
        group: family.class,
        license: family.license,
        entry,
        qualities,
        nearness: nearness(brief.voice, qualities),
        own: family.id.startsWith('own-'),
      };
    });
    this.#byId = new Map(this.all.map((trial) => [trial.id, trial]));
  }

  trial = (id: string): Trial | undefined => this.#byId.get(id);

  readonly text: string = $derived.by(() => {
    const line = this.desk.content.line.trim();
    return this.setting === 'upper' ? this.brand.name.toUpperCase() : this.setting === 'line' && line ? line : this.brand.name;
  });
  readonly keptIds: ReadonlySet<string> = $derived.by(() => new Set(this.desk.content.kept.map(({ family }) => family)));
  readonly droppedIds: ReadonlySet<string> = $derived.by(() => new Set(this.desk.content.dropped));
  readonly kept: readonly Trial[] = $derived.by(() => this.desk.content.kept.flatMap(({ family }) => this.trial(family) ?? []));
  readonly feel = $derived.by(() =>
    feelFilter(this.asked, (word) => this.all.some(({ name, group }) => `${name} ${group}`.toLowerCase().includes(word))),
  );

  readonly shown: readonly Trial[] = $derived.by(() => {
    const { x, y } = this.chart;
    const inBrush = (trial: Trial) => {
      const [across, up] = [Number(trial.entry.measures[x]), Number(trial.entry.measures[y])];
      return !this.brush || (across >= this.brush.x[0] && across <= this.brush.x[1] && up >= this.brush.y[0] && up <= this.brush.y[1]);
    };
    const found = this.all.filter(
      (trial) =>
        (this.showDropped || !this.droppedIds.has(trial.id)) &&
        (trial.group !== 'other scripts' || !LATIN_ONLY.test(this.text)) &&
        this.needs.every((need) =>
          need === 'variable' ? trial.entry.axes.length > 0 : (trial.entry.offers as readonly string[]).includes(need),
        ) &&
        this.feel.keeps(trial) &&
        inBrush(trial),
    );
    const rank = this.#rank();
    const behind = (trial: Trial): number => Number(this.lacks(trial));
    return [...found].sort((a, b) => behind(a) - behind(b) || rank(a) - rank(b) || a.name.localeCompare(b.name));
  });
  readonly #scripts: readonly string[] = $derived.by(() => scriptsNeeded(this.text));
  /** Whether a face has no letters of a script that the words are in: such faces stand behind all others. */
  lacks = (trial: Trial): boolean => this.#scripts.some((script) => !trial.entry.scripts.includes(script));
  /** How many of those shown have the letters, where some do not. */
  readonly having: number | undefined = $derived.by(() => {
    const having = this.shown.filter((trial) => !this.lacks(trial)).length;
    return having < this.shown.length ? having : undefined;
  });

  /** A number by which trials are ordered, smallest first. */
  #rank(): (trial: Trial) => number {
    const order = this.order;
    if (order.by === 'brief') return (trial) => -trial.nearness.score;
    if (order.by === 'measure') return (trial) => Number(trial.entry.measures[order.measure]);
    if (order.by === 'likeness') {
      const to = this.trial(order.to);
      return (trial) => (to ? distance(to.qualities, trial.qualities) : 0);
    }
    if (order.by === 'panel') return (trial) => -this.fillOf(trial.id, order.ratio);
    return () => 0;
  }

  /** How much of a panel the word fills when it is set as large as fits: 1 fills it both ways. Unknown until it is drawn. */
  fillOf(id: string, ratio: number): number {
    const box = this.pictures.get(id)?.box;
    if (!box) return 0;
    const own = (box.right - box.left) / (box.bottom - box.top);
    return Math.min(own / ratio, ratio / own);
  }

  fontOf = (id: string): FontChoice => ({
    family: id,
    style: 'normal',
    axes: this.desk.content.kept.find(({ family }) => family === id)?.axes ?? {},
  });

  /** Candidates for the second line under a face, best first. */
  pairingsFor(id: string): readonly Pairing[] {
    const name = this.trial(id);
    return name
      ? rankPairings(
          name,
          this.all.filter(({ group }) => group !== 'other scripts'),
        )
      : [];
  }
}

const KEY = Symbol('trials');
export const provideTrials = (trials: Trials): Trials => setContext(KEY, trials);
export const useTrials = (): Trials => getContext<Trials>(KEY);
