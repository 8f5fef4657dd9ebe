<script lang="ts">
  import { onMount } from 'svelte';
  import { invalidateAll } from '$app/navigation';
  import {
    goodsOfSheet,
    goodsPicture,
    ownGoodsId,
    pageOrder,
    shownOnGoods,
    MOST_SHEET_PICTURES,
    pageText,
    SHEET_DESIGN_NAMES,
    SHEET_DESIGNS,
    SHEET_PAGES,
    SHEET_SIZE_NAMES,
    SHEET_SIZES,
    sheetFactsOf,
    sheetPages,
    type Board,
    type Brief,
    type GoodsAtHand,
    type MeasuredMark,
    type Palette,
    type Sheet,
    type SheetPageName,
    type ShippedFamily,
    type TonePicture,
    type TypeDesk,
  } from '$core/index';
  import { digestOf } from '$lib/client/digest';
  import { goodsAddress } from '$lib/client/goods-address';
  import { PictureDesk } from '$lib/client/picture-desk.svelte';
  import { readAgainOnNews } from '$lib/client/read-again';
  import type { ShownMark } from '$lib/client/read-marks';
  import { sentences } from '$lib/client/request';
  import { bringPicture, type OfferedPicture } from '$lib/client/bring-picture';
  import { openDocument } from '$lib/client/work/open-document.svelte';
  import { undoOrder } from '$lib/client/work/undo-order';
  import ClientLinks from './ClientLinks.svelte';
  import GoodsChoice from './GoodsChoice.svelte';
  import Choice from '$lib/ui/Choice.svelte';
  import PictureChoice from '$lib/ui/PictureChoice.svelte';
  import MarkPicture from '$lib/ui/MarkPicture.svelte';
  import Pick from '$lib/ui/Pick.svelte';
  import Room from '$lib/ui/Room.svelte';
  import SaveBanner from '$lib/ui/SaveBanner.svelte';

  interface Props {
    brand: {
      readonly id: string;
      readonly slug: string;
      readonly name: string;
      readonly about: string;
      readonly palette: Palette;
      readonly paletteNumber: number;
    };
    marks: readonly ShownMark[];
    families: readonly ShippedFamily[];
    brief: Brief;
    type: TypeDesk;
    board: Board;
    pictures: readonly OfferedPicture[];
    goods: GoodsAtHand;
    alternatives: Readonly<Record<string, string>>;
    sheet: { readonly number: number; readonly content: Sheet };
  }
  const { brand, marks, families, brief, type, board, pictures, goods, alternatives, sheet }: Props = $props();

  // The room is made anew for every brand and palette.
  // svelte-ignore state_referenced_locally
  const open = openDocument(brand, 'sheet', sheet);
  // svelte-ignore state_referenced_locally
  const drawing = new PictureDesk(families, brand.slug);
  const order = undoOrder(() => [open]);
  const now = $derived(open.content);

  const recipes = $derived(new Map(marks.map(({ id, recipe }) => [id, recipe])));
  let measured: ReadonlyMap<string, MeasuredMark> = $state.raw(new Map());
  let measuring = $state(true);
  let count = $state({ done: 0, of: 0 });
  $effect(() => {
    const all = recipes;
    const wanted = marks.filter(({ shelf, role }) => shelf === 'kept' && role !== 'piece').map(({ id }) => id);
    let current = true;
    count = { done: 0, of: wanted.length };
    const measure = async () => {
      const found = new Map<string, MeasuredMark>();
      for (const id of wanted) {
        const one = await drawing.about(all, brand.palette, (draughtsman) => draughtsman.measured(id));
        if (!current) return;
        if (one) found.set(id, one);
        count = { done: count.done + 1, of: wanted.length };
      }
      measured = found;
      measuring = false;
    };
    measure().catch(() => (measuring = false));
    return () => (current = false);
  });
  /** Marks that may be shown on goods: those of the family that draw something. */
  const shownMarks = $derived(marks.filter(({ id }) => measured.has(id)));
  const onGoods = $derived(goodsOfSheet(now, goods, new Set(shownMarks.map(({ id }) => id))));
  /** Pictures of them, as wide as a page of the sheet shows them here. */
  const GOODS_PX = 900;
  let goodsPictures: readonly (TonePicture & { readonly address: string })[] = $state.raw([]);
  $effect(() => {
    let current = true;
    const told = onGoods.map(async ({ mark, scene }): Promise<readonly (TonePicture & { readonly address: string })[]> => {
      const on = marks.find(({ id }) => id === mark);
      if (!on) return [];
      const own = goods.desk.own[ownGoodsId(scene.name) ?? ''];
      const shownOn = shownOnGoods(goods.desk, mark, scene.name);
      const address = goodsAddress(brand, on, scene, shownOn, own, Math.min(GOODS_PX, scene.widthPx));
      return [{ ...goodsPicture(await digestOf(address), on.name, scene, GOODS_PX), address }];
    });
    void Promise.all(told).then((found) => current && (goodsPictures = found.flat()));
    return () => (current = false);
  });
  const facts = $derived(
    sheetFactsOf(brand, marks, { brief, type, families, measured, board, pictures, goods: goodsPictures, alternatives, sheet: now }),
  );
  const lent = $derived(new Map(goodsPictures.map(({ sha256, address }) => [sha256, address])));
  /** What the app says of the marks is true only once they are measured. */
  const waits = $derived(measuring && measured.size === 0);
  const pages = $derived(facts.marks.length > 0 ? sheetPages(now, facts) : []);
  const drawn = $derived(pages.filter(({ id }) => drawing.pictures.has(`page-${id}`)).length);
  $effect(() =>
    drawing.want(
      new Map([...recipes, ...pages.map(({ id, recipe }) => [`page ${id}`, recipe] as const)]),
      pages.map(({ id }) => ({ key: `page-${id}`, markId: `page ${id}`, dressing: 'full' as const, palette: brand.palette })),
      lent,
    ),
  );

  onMount(() => {
    void open.restore();
    const stop = readAgainOnNews([`family:${brand.id}`, ...marks.map(({ id }) => `mark:${id}`)], () => !open.unsaved);
    return () => {
      stop();
      open.close();
      drawing.close();
    };
  });

  let bringing = $state(false);
  let said = $state('');
  const shown = $derived(facts.pictures.map(({ sha256 }) => sha256));
  function show(sha256: string, on: boolean): void {
    said = '';
    if (on && shown.length >= MOST_SHEET_PICTURES) said = `A sheet shows at most ${MOST_SHEET_PICTURES} pictures: take one out first.`;
    else change('Pictures', { pictures: on ? [...shown, sha256] : shown.filter((each) => each !== sha256) });
  }
  async function bring(file: File): Promise<void> {
    bringing = true;
    const brought = await bringPicture(brand.slug, file);
    bringing = false;
    if (!brought.ok) return void (said = sentences(brought.problems));
    await invalidateAll();
    show(brought.value.sha256, true);
  }
  const change = (gesture: string, next: Partial<Sheet>) => open.commit(gesture, { ...now, ...next });
  const names = $derived(pageOrder(now));
  function move(page: SheetPageName, by: -1 | 1): void {
    const list = [...names];
    const at = list.indexOf(page);
    list.splice(at, 1);
    list.splice(at + by, 0, page);
    change('Order of pages', { order: list });
  }
  function write(page: SheetPageName | 'cover', text: string): void {
    const { [page]: _before, ...rest } = now.texts;
    const ours = page === 'cover' ? undefined : SHEET_PAGES[page].text(facts);
    change('Text of a page', { texts: text === ours ? rest : { ...rest, [page]: text } });
  }
</script>

<Room {brand} room="sheet" columns="minmax(0, 1fr) 360px" works={[open]} {order}>
  {#snippet notices()}
    <SaveBanner work={open} name="The sheet" />
    {#if drawing.problem}<p class="fault" role="alert">{drawing.problem}</p>{/if}
  {/snippet}
  <!-- what scrolls is reached by keys too -->
  <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
  <div class="pages" role="region" aria-label="Pages of the sheet" tabindex="0">
    <h1>Brand sheet</h1>
    {#if drawn < pages.length && drawing.left > 0}
      <p class="quiet" role="status">The pages are being drawn: {drawn} of {pages.length} …</p>
    {:else}
      <p class="quiet">How the brand is used, page by page; every page follows the marks, the colors and the brief.</p>
    {/if}
    {#if pages.length === 0}
      <p class="quiet" role="status">
        {measuring
          ? `The marks are being measured: ${count.done} of ${count.of} …`
          : 'There is no mark to show yet: build one in Marks first.'}
      </p>
    {/if}
    {#each pages as page (page.id)}
      <figure>
        <div class="sheet" style:aspect-ratio="{SHEET_SIZES[now.size].width} / {SHEET_SIZES[now.size].height}">
          <MarkPicture picture={drawing.pictures.get(`page-${page.id}`)} label="{page.title} of the brand sheet" />
        </div>
        <figcaption class="quiet">{page.title}</figcaption>
      </figure>
    {/each}
  </div>
  <aside aria-label="What the sheet is like">
    <div class="files">
      <a class="file" href="/api/brands/{brand.slug}/sheet.pdf?download=1" download>Save as PDF</a>
      <a class="link" href="/api/brands/{brand.slug}/sheet.zip" download>As a folder for browsers</a>
    </div>
    <Pick
      label="Design"
      hint="How all pages are laid out"
      value={now.design}
      options={SHEET_DESIGN_NAMES.map((value) => ({ value, label: SHEET_DESIGNS[value].label }))}
      choose={(design) => change('Design', { design: design as Sheet['design'] })}
    />
    <Choice
      label="Size"
      hint="Of every page, lying"
      value={now.size}
      options={SHEET_SIZE_NAMES.map((value) => ({ value, label: SHEET_SIZES[value].label }))}
      choose={(size) => change('Size', { size: size as Sheet['size'] })}
    />
    <label for="sheet-contact">Contact</label>
    <textarea
      title="Stands on the last page: who to ask, and where"
      id="sheet-contact"
      rows="2"
      maxlength="1000"
      placeholder="who to ask, and where"
      value={now.contact}
      onchange={(event) => change('Contact', { contact: event.currentTarget.value })}></textarea>
    <PictureChoice
      legend="Pictures that carry the tone"
      brand={brand.slug}
      {pictures}
      chosen={shown}
      working={bringing}
      choose={show}
      bring={(file) => void bring(file)}
    />
    {#if said !== ''}<p class="quiet" role="status">{said}</p>{/if}
    <GoodsChoice
      marks={shownMarks}
      scenes={goods.scenes}
      chosen={onGoods}
      change={(gesture, chosen) => change(gesture, { goods: [...chosen] })}
    />
    <ClientLinks {brand} {marks} />
    <h2 class="label">Pages</h2>
    <ul>
      {#each names as page, at (page)}
        {@const row = SHEET_PAGES[page]}
        {@const left = now.left.includes(page)}
        <li aria-label={row.title} class:left>
          <div class="head">
            <strong>{row.title}</strong>
            {#if !waits && !row.there(facts)}<span class="quiet">nothing to show yet</span>{/if}
            <button
              title="One place earlier in the sheet"
              aria-label="Move {row.title} up"
              disabled={at === 0}
              onclick={() => move(page, -1)}>↑</button
            >
            <button
              title="One place later in the sheet"
              aria-label="Move {row.title} down"
              disabled={at === names.length - 1}
              onclick={() => move(page, 1)}>↓</button
            >
            <button
              title="What is left out stays here and can be taken in again"
              aria-pressed={left}
              onclick={() =>
                change(left ? 'Take a page in' : 'Leave a page out', {
                  left: left ? now.left.filter((each) => each !== page) : [...now.left, page],
                })}>{left ? 'Take in' : 'Leave out'}</button
            >
          </div>
          {#if !left}
            <textarea
              title="The words of this page, as the sheet shows them"
              aria-label="Text of {row.title}"
              rows="2"
              maxlength="1000"
              value={waits ? (now.texts[page] ?? '') : pageText(now, page, facts)}
              placeholder={waits ? 'said when the marks are measured' : ''}
              onchange={(event) => write(page, event.currentTarget.value)}></textarea>
          {/if}
        </li>
      {/each}
    </ul>
  </aside>
</Room>

<style>
  .pages {
    overflow-y: auto;
    padding: 18px 22px 40px;
  }
  .pages > p {
    margin: 2px 0 14px;
  }
  figure {
    max-width: 860px;
    margin: 0 0 22px;
  }
  .sheet {
    overflow: hidden;
    border: 1px solid var(--color-rule);
    background: var(--color-sheet);
  }
  figcaption {
    padding-top: 4px;
    font-size: 12px;
  }
  aside {
    display: flex;
    flex-direction: column;
    gap: 6px;
    overflow-y: auto;
    padding: 18px 22px 40px;
    border-left: 1px solid var(--color-rule);
    background: var(--color-sheet);
  }
  .files {
    display: flex;
    align-items: center;
    gap: 16px;
  }
  .file {
    padding: 8px 16px;
    background: var(--color-plum);
    color: #fff;
    font-weight: 600;
    font-size: 14px;
  }
  label {
    font-size: 13px;
  }
  textarea {
    flex: none;
    width: 100%;
    padding: 5px 8px;
    border: 1px solid var(--color-rule);
    background: var(--color-sheet);
    font-size: 13px;
    resize: vertical;
  }
  h2 {
    margin-top: 10px;
    font-family: var(--font-sans);
  }
  ul {
    padding: 0;
    list-style: none;
  }
  li {
    padding: 6px 0 10px;
    border-top: 1px solid var(--color-rule);
  }
  .head {
    display: flex;
    align-items: center;
    gap: 8px;
    padding-bottom: 4px;
    font-size: 14px;
  }
  .head strong {
    flex: 1;
  }
  .head .quiet {
    font-size: 12px;
  }
  .head button {
    min-width: 24px;
    min-height: 24px;
    color: var(--color-plum);
    font-weight: 600;
    font-size: 13px;
  }
  .head button:disabled {
    opacity: 0.35;
  }
  .left strong {
    color: var(--color-quiet);
    text-decoration: line-through;
  }
  .fault {
    padding: 8px 22px;
    color: var(--color-rust);
  }
</style>
