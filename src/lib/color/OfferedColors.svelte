<script lang="ts">
  import { HARMONIES, HARMONY_NAMES, harmonyOf, tintsOf, type Hex } from '$core/index';
  import type { OfferedPicture } from '$lib/client/bring-picture';
  import { sentences } from '$lib/client/request';
  import { sendFile } from '$lib/client/send-file';
  import FileLink from '$lib/ui/FileLink.svelte';
  import { useColorDesk } from './color-desk.svelte';

  const desk = useColorDesk();
  interface Row {
    readonly label: string;
    readonly colors: readonly { readonly hex: Hex; readonly note?: string }[];
    /** What the colors are called when they are added. */
    readonly called: string;
    readonly source?: string;
  }
  const rows: readonly Row[] = $derived([
    { label: 'tints and shades', called: desk.swatch.name, colors: tintsOf(desk.hex).map((hex) => ({ hex })) },
    ...HARMONY_NAMES.map((name) => ({
      label: HARMONIES[name].label,
      called: HARMONIES[name].label,
      colors: harmonyOf(desk.palette.lead, name).map((hex) => ({ hex })),
    })),
  ]);
  const pictures: readonly (Row & { readonly source: string })[] = $derived(
    desk.board.items.flatMap((item) =>
      item.kind === 'picture' && item.colors.length > 0
        ? [
            {
              label: item.takes || item.source || 'picture',
              called: item.takes || 'picture',
              source: item.picture,
              colors: item.colors.map(({ hex, share }) => ({ hex, note: `${Math.round(share * 100)} %` })),
            },
          ]
        : [],
    ),
  );
  const { pictureBase }: { pictureBase: string } = $props();
  type PictureRow = Row & { readonly source: string };
  /** Pictures that were brought in here; the newest first. */
  let brought: readonly PictureRow[] = $state.raw([]);
  let working = $state(false);
  let said = $state('');
  async function bring(file: File): Promise<void> {
    [working, said] = [true, ''];
    const address = `${pictureBase.replace(/\/$/, '')}?${new URLSearchParams({ name: file.name })}`;
    const taken = await sendFile<OfferedPicture & { readonly colors: readonly { readonly hex: Hex; readonly share: number }[] }>(
      address,
      file,
      file.type,
    );
    working = false;
    if (!taken.ok) {
      said = sentences(taken.problems);
      return;
    }
    const { sha256, colors } = taken.value;
    const fresh = {
      ...{ label: file.name, called: 'picture', source: sha256 },
      colors: colors.map(({ hex, share }) => ({ hex, note: `${Math.round(share * 100)} %` })),
    };
    brought = [fresh, ...brought.filter(({ source }) => source !== sha256)];
  }
  /** A click paints the open swatch; with Shift, or by the row's own button, colors are added to the palette. */
  function use(event: MouseEvent, hex: Hex, called: string): void {
    if (event.shiftKey) desk.add([{ name: called, hex }]);
    else desk.paint(hex);
  }
</script>

{#snippet row({ label, colors, called }: Row, source?: string)}
  <div class="row">
    {#if source}<img src="{pictureBase}{source}" alt="" loading="lazy" />{/if}
    <span class="quiet name">{label}</span>
    <span class="chips">
      {#each colors as { hex, note }, at (at)}
        <button
          style:background={hex}
          title="{hex}{note ? `, ${note} of the picture` : ''}: paint {desk.swatch.name} with it; with Shift, add it to the palette"
          aria-label="{hex}, {label}{note ? `, ${note}` : ''}"
          onclick={(event) => use(event, hex, called)}
          >{#if note}<span>{note}</span>{/if}</button
        >
      {/each}
    </span>
    <button
      class="link"
      aria-label="Add all of {label}"
      title="Add all of them to the palette"
      onclick={() =>
        desk.add(
          colors.map(({ hex }, at) => ({ name: `${called} ${at + 1}`, hex })),
          `Add ${label}`,
        )}>Add all</button
    >
  </div>
{/snippet}

<section aria-label="Offered colors">
  <p class="label">From {desk.swatch.name}</p>
  {@render row(rows[0] as Row)}
  <p class="label">Harmonies of the lead</p>
  {#each rows.slice(1) as each (each.label)}{@render row(each)}{/each}
  <div class="bring">
    <p class="label">From pictures</p>
    <FileLink
      label="Bring a picture in"
      hint="A picture whose colors are offered here, with their shares"
      accept="image/*"
      disabled={working}
      take={([file]) => file && void bring(file)}
    />
  </div>
  {#if working}<p class="quiet" role="status">Its colors are being found …</p>{/if}
  {#if said}<p class="fault" role="alert">{said}</p>{/if}
  {#each brought as each (each.source)}{@render row(each, each.source)}{/each}
  {#if brought.length > 0}<p class="quiet">A picture is offered here until the room is left; those of the mood board stay.</p>{/if}
  {#each pictures as each (each.source)}{@render row(each, each.source)}{:else}
    <p class="quiet">Pictures of the mood board in the Brief room offer their colors here, too.</p>
  {/each}
</section>

<style>
  .label {
    margin-top: 14px;
    padding-bottom: 3px;
    border-bottom: 1px solid var(--color-rule);
  }
  .bring {
    display: flex;
    align-items: end;
    justify-content: space-between;
    margin-top: 14px;
    border-bottom: 1px solid var(--color-rule);
  }
  .bring .label {
    margin: 0;
    border: 0;
  }
  .fault {
    color: var(--color-rust);
  }
  .row {
    display: flex;
    align-items: center;
    gap: 10px;
    padding: 4px 0;
  }
  .name {
    flex: 0 1 128px;
    min-width: 72px;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .link {
    white-space: nowrap;
  }
  .chips {
    display: flex;
    flex: 1;
  }
  .chips button {
    flex: 1;
    min-width: 24px;
    height: 26px;
  }
  .chips button:hover {
    outline: 2px solid var(--color-ink);
    outline-offset: -2px;
  }
  .chips span {
    padding: 0 3px;
    background: var(--color-sheet);
    font-size: 10px;
  }
  img {
    width: 40px;
    height: 26px;
    object-fit: cover;
  }
</style>
