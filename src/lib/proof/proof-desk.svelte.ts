import { createContext } from 'svelte';
import { SvelteSet } from 'svelte/reactivity';
import { rightsOf, shownOnGoods, weakAtAddress, type ShippedFamily, type WeakAt } from '$core/index';
import type {
  Dressing,
  GoodsDesk,
  SceneFacts,
  ShownOnGoods,
  LookAlike,
  MarkCheck,
  MarkChecks,
  MakingLimits,
  Palette,
  Recipe,
  DrawnPicture,
} from '$core/index';
import { goodsAddress } from '$lib/client/goods-address';
import type { PictureDesk, WantedPicture } from '$lib/client/picture-desk.svelte';
import type { PhotoView } from '$lib/client/photo-view';
import { request } from '$lib/client/request';
import type { ShownMark } from '$lib/client/read-marks';
import type { OpenDocument } from '$lib/client/work/open-document.svelte';
import { OwnGoodsDesk } from './own-goods-desk.svelte';
import { wallOf, type WallSection, type WallTile } from './wall';

/** A mark, or a try of one, as the wall proofs it. */
export interface Subject {
  readonly id: string;
  readonly name: string;
  /** The mark's address; of a try that of its mark. */
  readonly slug: string;
  readonly recipe: Recipe;
  readonly isTry: boolean;
  /** Of the mark, as it is saved. */
  readonly revision: number;
}

/** What the proof room shows: marks, their proofs, and what was measured. */
export class ProofDesk {
  subjects: readonly Subject[] = $state.raw([]);
  /** The mark that is shown; none is the whole family. */
  shownId: string | undefined = $state();
  besideId: string | undefined = $state();
  onlyLooks = $state(false);
  problem = $state('');
  #checks: ReadonlyMap<
    string,
    { readonly recipes: ReadonlyMap<string, Recipe>; readonly limits: MakingLimits; readonly found: MarkChecks | undefined }
  > = $state.raw(new Map());

  constructor(
    readonly brand: { readonly slug: string; readonly name: string; readonly paletteNumber: number },
    readonly palette: Palette,
    readonly limits: OpenDocument<MakingLimits>,
    readonly drawing: PictureDesk,
    readonly families: readonly ShippedFamily[],
    readonly shipped: readonly SceneFacts[],
    readonly goods: OpenDocument<GoodsDesk>,
    photos: readonly PhotoView[],
  ) {
    this.own = new OwnGoodsDesk(goods, photos);
  }
  /** Photos of goods of the studio's own. */
  readonly own: OwnGoodsDesk;
  /** All goods: those that ship, then one's own. */
  readonly scenes: readonly SceneFacts[] = $derived.by(() => [...this.shipped, ...this.own.scenes]);
  /** Pictures of the wall that are there; while one is looked at large, no other is asked for: browsers ask for few at a time. */
  readonly seen = new SvelteSet<string>();
  /** The mark and the goods that are looked at large. */
  large: { readonly subject: Subject; readonly scene: SceneFacts } | undefined = $state.raw();

  /** What was chosen for a mark on goods. */
  shownOn(subject: Subject, scene: SceneFacts): ShownOnGoods {
    return shownOnGoods(this.goods.content, subject.id, scene.name);
  }
  withShown(subject: Subject, scene: SceneFacts, change: ShownOnGoods): GoodsDesk {
    const key = `${subject.id}/${scene.name}`;
    const { content } = this.goods;
    return { ...content, shown: { ...content.shown, [key]: { ...content.shown[key], ...change } } };
  }
  /** Where the picture of a mark on goods is had. */
  goodsAddress(subject: Subject, scene: SceneFacts, width: number): string {
    const brand = { ...this.brand, palette: this.palette };
    return goodsAddress(brand, subject, scene, this.shownOn(subject, scene), this.own.of(scene), width);
  }

  readonly family: readonly Subject[] = $derived(this.subjects.filter(({ isTry, recipe }) => !isTry && recipe.parts.length > 0));
  readonly shown: readonly Subject[] = $derived.by(() => {
    const one = this.family.find(({ id }) => id === this.shownId);
    return one ? [one] : this.family;
  });
  readonly beside: Subject | undefined = $derived(
    this.shown.length === 1 ? this.subjects.find(({ id }) => id === this.besideId && id !== this.shown[0]?.id) : undefined,
  );
  readonly wall: readonly WallSection[] = $derived.by(() => wallOf(this.palette, this.scenes));
  readonly recipes: ReadonlyMap<string, Recipe> = $derived(new Map(this.subjects.map(({ id, recipe }) => [id, recipe])));
  readonly wanted: readonly WantedPicture[] = $derived.by(() => {
    const dressings = [
      ...new Set<Dressing>([
        'full',
        ...this.wall.flatMap(({ tiles }) => tiles.flatMap(({ dressing, scene }) => (scene ? [] : [dressing]))),
      ]),
    ];
    const subjects = [...this.shown, ...(this.beside ? [this.beside] : [])];
    // All in full color first, then each colorway: what is seen first is there first.
    return dressings.flatMap((dressing) =>
      subjects.map(({ id }) => ({ key: `${id}-${dressing}`, markId: id, dressing, palette: this.palette })),
    );
  });
  pictureOf(subject: Subject, dressing: Dressing): DrawnPicture | undefined {
    return this.drawing.pictures.get(`${subject.id}-${dressing}`);
  }

  checksOf(subject: Subject): MarkChecks | undefined {
    return this.#checks.get(subject.id)?.found;
  }
  /** What needs a look in a mark, worst first. */
  looksOf(subject: Subject): readonly MarkCheck[] {
    const found = this.#all(subject).filter(({ finding }) => finding.verdict !== 'passes');
    return [...found].sort((one, other) => Number(other.finding.verdict === 'fails') - Number(one.finding.verdict === 'fails'));
  }

  #all(subject: Subject): readonly MarkCheck[] {
    const measured = this.checksOf(subject)?.checks;
    return measured ? [...measured, this.#rightsOf(subject), ...(this.#alike.get(subject.id) ?? [])] : [];
  }
  /** Whether the client may sell with a mark and register it. */
  #rightsOf({ recipe }: Subject): MarkCheck {
    const { sell, register, parts } = rightsOf(recipe, this.recipes, { family: (id) => this.families.find((family) => family.id === id) });
    const inTheWay = parts.filter(({ terms }) => terms.register !== 'yes' || terms.sell !== 'yes').map(({ what }) => `“${what}”`);
    return {
      id: 'rights',
      label: 'rights',
      finding: {
        verdict: register === 'no' ? 'fails' : register === 'ask' || sell !== 'yes' ? 'look' : 'passes',
        figure: register === 'yes' ? 'registrable' : register === 'no' ? 'not to register' : 'ask to register',
        says:
          inTheWay.length === 0
            ? 'The client may sell with it and register it as a trademark.'
            : `In the way of selling or registering: ${inTheWay.join(', ')}.`,
      },
      ...(inTheWay.length === 0 ? {} : { fix: 'Take a piece of your own for it; the rights of every part are under the recipe.' }),
    };
  }
  /** The table, with a part chosen and what gives way shown. */
  markAddress({ slug }: Subject, part?: string, weakAt?: WeakAt): string {
    const query = new URLSearchParams({ ...(part === undefined ? {} : { part }), ...(weakAt ? { weak: weakAtAddress(weakAt) } : {}) });
    return `/brands/${this.brand.slug}/marks/${slug}${query.size > 0 ? `?${query}` : ''}`;
  }
  /** The checks that are listed of a mark. */
  listOf(subject: Subject): readonly MarkCheck[] {
    return this.onlyLooks ? this.looksOf(subject) : this.#all(subject);
  }
  get looks(): number {
    return this.family.reduce((sum, subject) => sum + this.looksOf(subject).length, 0);
  }
  readonly measured = $derived(this.family.filter(({ id }) => this.#checks.has(id)).length);
  /** What was measured for a tile. */
  findingOf(subject: Subject, tile: WallTile) {
    const checks = this.checksOf(subject);
    return checks && tile.finding(checks);
  }

  /** What other brands of the studio show that is like it; asked of the server. */
  #alike: ReadonlyMap<string, readonly MarkCheck[]> = $state.raw(new Map());
  async lookAround(): Promise<void> {
    const answer = await request<{ found: readonly LookAlike[] }>('GET', `/api/brands/${this.brand.slug}/look-alikes`);
    if (!answer.ok) return;
    const found = new Map<string, readonly MarkCheck[]>();
    for (const { mark, other, likeness, piece } of answer.value.found) {
      const where = `“${other.mark}” of ${other.brand}`;
      const check: MarkCheck = {
        id: `alike-${other.brandSlug}-${other.markSlug}`,
        label: likeness === undefined ? 'same piece of art' : 'looks alike',
        finding: {
          verdict: likeness === undefined ? 'look' : 'fails',
          figure: likeness === undefined ? other.brand : `${Math.floor(likeness * 100)} %`,
          says:
            likeness === undefined
              ? `${where} shows “${piece?.title ?? ''}” as well.`
              : `It looks like ${where}: ${Math.floor(likeness * 100)} % of the edges fall together.`,
        },
        ...(piece ? { part: piece.part } : {}),
        fix: piece
          ? 'Take another piece, or draw one of its own: a piece that two clients share can be registered by neither.'
          : 'Put both side by side, and change one.',
      };
      found.set(mark, [...(found.get(mark) ?? []), check]);
    }
    this.#alike = found;
  }

  #serial = 0;
  /** Measures every mark again when any of the family, or a limit, has changed; what is shown first. */
  async measure(): Promise<void> {
    const serial = ++this.#serial;
    const limits = this.limits.content;
    const { recipes } = this;
    const order = [...this.shown, ...this.family.filter((subject) => !this.shown.includes(subject))];
    try {
      for (const { id } of order) {
        const before = this.#checks.get(id);
        if (before?.recipes === recipes && before.limits === limits) continue;
        const found = await this.drawing.about(recipes, this.palette, (draughtsman) =>
          draughtsman.checks(id, $state.snapshot(limits) as MakingLimits),
        );
        if (serial !== this.#serial) return;
        this.#checks = new Map(this.#checks).set(id, { recipes, limits, found });
      }
      this.problem = '';
    } catch (error) {
      this.problem = `A mark could not be measured: ${error instanceof Error ? error.message : String(error)}`;
    }
  }
}

export const [useProofDesk, provideProofDesk] = createContext<ProofDesk>();

/** Marks at hand and their tries as the wall proofs them. */
export const subjectsOf = (
  marks: readonly ShownMark[],
  tries: readonly { readonly id: string; readonly name: string; readonly mark: string; readonly recipe: Recipe }[],
): readonly Subject[] => [
  ...marks.flatMap(({ id, name, slug, recipe, shelf, revision }) =>
    shelf === 'kept' ? [{ id, name, slug, recipe, revision, isTry: false }] : [],
  ),
  ...tries.flatMap(({ id, name, mark, recipe }) => {
    const of = marks.find((each) => each.id === mark);
    return of ? [{ id, name: `${name}, a try of ${of.name}`, slug: of.slug, recipe, revision: of.revision, isTry: true }] : [];
  }),
];
