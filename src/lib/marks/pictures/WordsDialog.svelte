<script lang="ts">
  import { Button, Modal } from 'flowbite-svelte';
  import { type Problem } from '$core/index';
  import { picturesAddress } from '$lib/addresses';
  import { GROUNDS, type GroundName } from '$core/pictures';
  import { request, sentences } from '$lib/client/request';
  import { onNews } from '$lib/client/work/news';
  import Choice from '$lib/ui/Choice.svelte';
  import { giveBackFocus } from '$lib/ui/give-back-focus.svelte';
  import { placedNew } from '../table/place-new';
  import { useTable } from '../table/table.svelte';

  /** One picture that was asked for, as the server shows it. */
  interface Order {
    readonly id: string;
    readonly words: string;
    readonly ground: GroundName;
    readonly seed: number;
    readonly service: string;
    readonly state: 'waiting' | 'making' | 'done' | 'failed' | 'stopped';
    readonly done: number;
    readonly of: number;
    readonly picture: { readonly sha256: string; readonly widthPx: number; readonly heightPx: number } | null;
    readonly reason: readonly Problem[] | null;
  }
  interface Orders {
    readonly service: { readonly name: string; readonly isStandIn: boolean; readonly knows: readonly string[] | null };
    readonly orders: readonly Order[];
  }

  const table = useTable();
  giveBackFocus(() => table.wording);
  let shown: Orders | undefined = $state.raw();
  let words = $state('');
  let ground: GroundName = $state('plain');
  let said = $state('');
  let asking = $state(false);

  const address = $derived(`/api/brands/${table.brand.slug}/picture-orders`);
  const take = (answer: Awaited<ReturnType<typeof request<Orders>>>): void => {
    if (answer.ok) [shown, said] = [answer.value, ''];
    else said = sentences(answer.problems);
  };
  /** What was said stays until something else is asked for. */
  const look = async () => {
    const answer = await request<Orders>('GET', address);
    if (answer.ok) shown = answer.value;
    else said = sentences(answer.problems);
  };
  $effect(() => {
    if (!table.wording) return;
    void look();
    return onNews(`picture-orders:${table.brand.id}`, () => void look());
  });

  async function ask(what: string, seed: number, on = ground): Promise<void> {
    if (what.trim() === '' || asking) return;
    asking = true;
    take(await request<Orders>('POST', address, { id: crypto.randomUUID(), words: what.trim(), ground: on, seed }));
    asking = false;
  }
  /** The same words asked for again are another picture of the same thing. */
  const nextSeed = (what: string, on: GroundName): number =>
    1 + Math.max(-1, ...(shown?.orders ?? []).filter((each) => each.words === what.trim() && each.ground === on).map(({ seed }) => seed));
  const change = async (order: Order, what: 'stop' | 'remove') =>
    take(await request<Orders>('PATCH', `${address}/${order.id}`, { do: what }));

  function use({ words: title, service, picture }: Order): void {
    if (!picture) return;
    const license = shown?.service.isStandIn ? ('CC0-1.0' as const) : ('unknown' as const);
    const part = {
      ...{ kind: 'picture' as const, sha256: picture.sha256, fileWidthPx: picture.widthPx, fileHeightPx: picture.heightPx },
      source: { title: title.slice(0, 100), author: service.slice(0, 80), license },
    };
    table.add(placedNew(table.open.recipe, part, table.desk.stage?.ink), 'Bring in a picture');
    table.wording = false;
  }
  const STATES = { waiting: 'waits', making: 'being made', done: '', failed: 'not made', stopped: 'stopped' } as const;
  const percent = ({ done, of }: Order): number => (of > 0 ? Math.min(99, Math.floor((100 * done) / of)) : 0);
</script>

<Modal bind:open={table.wording} title="Picture from words" size="lg" autoclose={false}>
  {#if shown?.service.isStandIn}
    <p class="quiet">
      No outside picture service is connected. A stand-in of ours draws these {shown.service.knows?.length} things, in many variations; add a
      color if you like: “red mug”. Other words are left aside.
    </p>
  {:else if shown}
    <p class="quiet">Made by {shown.service.name}. Ask whose the picture is before it is sold or registered.</p>
  {/if}
  <form
    onsubmit={(event) => {
      event.preventDefault();
      void ask(words, nextSeed(words, ground));
    }}
  >
    <label for="picture-words">What is to be seen</label>
    <input
      title="What is to be seen, in a few words"
      id="picture-words"
      bind:value={words}
      maxlength="300"
      placeholder="fox"
      autocomplete="off"
    />
    <Choice
      label="Ground"
      hint="What is behind it: plain is easier to take out"
      value={ground}
      options={GROUNDS.map((value) => ({ value, label: value }))}
      choose={(value) => (ground = value as GroundName)}
    />
    <Button title="A picture service makes it; you can go on working" type="submit" disabled={words.trim() === '' || asking}
      >Make a picture</Button
    >
  </form>
  {#if shown?.service.knows}
    <div class="known" role="group" aria-label="What the stand-in draws">
      {#each shown.service.knows as thing (thing)}
        <button title="Something that the service knows" onclick={() => (words = thing.toLowerCase())}>{thing.toLowerCase()}</button>
      {/each}
    </div>
  {/if}
  {#if said}<p class="said" role="alert">{said}</p>{/if}
  <ul aria-label="Pictures that were asked for">
    {#each shown?.orders ?? [] as order (order.id)}
      <li aria-label="{order.words}, {order.ground} ground{order.state === 'done' ? '' : `, ${STATES[order.state]}`}">
        <div class="frame">
          {#if order.picture}
            <button class="whole" title="Put it on the table" aria-label="Use {order.words}" onclick={() => use(order)}>
              <img src="{picturesAddress(table.brand.slug)}{order.picture.sha256}" alt="{order.words}, made by {order.service}" />
            </button>
          {:else if order.state === 'making' || order.state === 'waiting'}
            <progress max="100" value={order.state === 'making' ? percent(order) : 0} aria-label="{order.words} being made"></progress>
            <span class="quiet">{order.state === 'making' ? `${percent(order)} %` : 'waits for a worker'}</span>
          {:else}
            <span class="quiet">{order.reason ? sentences(order.reason) : STATES[order.state]}</span>
          {/if}
        </div>
        <p>{order.words}</p>
        <div class="acts">
          {#if order.picture}
            <button title="Goes into the mark, without its ground" onclick={() => use(order)}>Use</button>
            <button
              title="The same words, another picture"
              onclick={() => void ask(order.words, nextSeed(order.words, order.ground), order.ground)}>Another</button
            >
            <button title="Goes from this list" aria-label="Remove {order.words}" onclick={() => void change(order, 'remove')}
              >Remove</button
            >
          {:else if order.state === 'making' || order.state === 'waiting'}
            <button title="The picture is not made any more" onclick={() => void change(order, 'stop')}>Stop</button>
          {:else}
            <button title="Asks for it once more" onclick={() => void ask(order.words, order.seed, order.ground)}>Try again</button>
            <button title="Goes from this list" aria-label="Remove {order.words}" onclick={() => void change(order, 'remove')}
              >Remove</button
            >
          {/if}
        </div>
      </li>
    {/each}
  </ul>
</Modal>

<style>
  .quiet {
    color: var(--color-quiet);
    font-size: 13px;
  }
  form {
    display: grid;
    grid-template-columns: auto minmax(0, 1fr) 190px auto;
    align-items: center;
    gap: 12px;
    padding: 8px 0;
  }
  label {
    font-size: 14px;
  }
  input {
    padding: 6px 8px;
    border: 1px solid var(--color-rule);
    background: var(--color-sheet);
    font-size: 14px;
  }
  .known {
    display: flex;
    flex-wrap: wrap;
    gap: 0 10px;
  }
  .known button {
    min-height: 24px;
    color: var(--color-plum);
    font-size: 13px;
  }
  .said {
    color: var(--color-rust);
  }
  ul {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
    gap: 14px;
    min-height: 120px;
    padding: 10px 0 0;
    list-style: none;
  }
  .frame {
    display: grid;
    place-content: center;
    gap: 4px;
    aspect-ratio: 1;
    padding: 8px;
    border: 1px solid var(--color-rule);
    text-align: center;
  }
  .frame:has(img) {
    padding: 0;
  }
  .whole {
    display: block;
  }
  img {
    display: block;
    width: 100%;
  }
  p {
    overflow: hidden;
    font-size: 13px;
    text-overflow: ellipsis;
  }
  .acts {
    display: flex;
    gap: 10px;
  }
  .acts button {
    min-height: 24px;
    color: var(--color-plum);
    font-weight: 600;
    font-size: 13px;
  }
  progress {
    width: 110px;
    height: 4px;
    border: 0;
    appearance: none;
  }
  progress::-webkit-progress-bar {
    background: var(--color-rule);
  }
  progress::-webkit-progress-value {
    background: var(--color-plum);
  }
  @media (max-width: 760px) {
    form {
      grid-template-columns: 1fr;
    }
  }
</style>
