<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import {
    freePlace,
    heightOfItem,
    MOST_BOARD_ITEMS,
    type Board,
    type BoardItem,
    type Hex,
    type PictureColor,
    type Role,
  } from '$core/index';
  import type { OpenDocument } from '$lib/client/work/open-document.svelte';
  import BoardCard from './BoardCard.svelte';
  import MayChange from '$lib/ui/MayChange.svelte';

  interface Props {
    board: OpenDocument<Board>;
    slug: string;
    sendColor: (role: Role, hex: Hex) => void;
    /** What was done last with a color, in words. */
    said: string;
  }
  const { board, slug, sendColor, said }: Props = $props();

  const WIDTH = 246;
  let boardWidth = $state(760);
  let progress = $state('');
  let fault = $state('');
  let chooser: HTMLInputElement | undefined = $state();

  const pictures = $derived(`/api/brands/${slug}/pictures`);
  const height = $derived(Math.max(500, ...board.content.items.map((item) => item.y + heightOfItem(item) + 60)));
  const columns = $derived(Math.max(1, Math.floor((boardWidth + 12) / (WIDTH + 12))));

  const replace = (item: BoardItem): Board => ({ items: board.content.items.map((each) => (each.id === item.id ? item : each)) });
  const newId = () => crypto.randomUUID();

  function addNote(): void {
    if (board.content.items.length >= MOST_BOARD_ITEMS) return void (fault = `The board is full: ${MOST_BOARD_ITEMS} pictures and notes.`);
    board.commit('Board', {
      items: [...board.content.items, { kind: 'note', id: newId(), ...freePlace(board.content, WIDTH, columns), width: WIDTH, text: '' }],
    });
  }

  /** Takes in files one after the other; what cannot be read is named, the rest goes on. */
  async function take(files: readonly File[]): Promise<void> {
    fault = '';
    const refused: string[] = [];
    for (const [index, file] of files.entries()) {
      progress = `Picture ${index + 1} of ${files.length} …`;
      if (board.content.items.length >= MOST_BOARD_ITEMS) {
        refused.push(`The board is full: ${MOST_BOARD_ITEMS} pictures and notes.`);
        break;
      }
      const answer = await fetch(`${pictures}?name=${encodeURIComponent(file.name)}`, {
        method: 'POST',
        body: file,
        headers: { 'content-type': file.type || 'application/octet-stream' },
      }).catch(() => undefined);
      const body = (await answer?.json().catch(() => undefined)) as
        { sha256?: string; widthPx: number; heightPx: number; colors: readonly PictureColor[]; detail?: string } | undefined;
      if (!body?.sha256) {
        refused.push(body?.detail ?? `${file.name} could not be sent.`);
        continue;
      }
      const item: BoardItem = {
        kind: 'picture',
        id: newId(),
        ...freePlace(board.content, WIDTH, columns),
        width: WIDTH,
        picture: body.sha256,
        ratio: body.heightPx / body.widthPx,
        colors: [...body.colors],
        source: file.name.slice(0, 300),
        takes: '',
      };
      board.commit('Board', { items: [...board.content.items, item] });
    }
    progress = '';
    fault = refused.join(' ');
  }
  const filesOf = (list: FileList | null | undefined): readonly File[] => [...(list ?? [])];
  function paste(event: ClipboardEvent): void {
    const files = filesOf(event.clipboardData?.files);
    if (files.length === 0) return;
    event.preventDefault();
    void take(files);
  }
</script>

<svelte:window onpaste={paste} />
<section
  class="board"
  aria-label="Mood board"
  ondragover={(event) => event.preventDefault()}
  ondrop={(event) => {
    event.preventDefault();
    void take(filesOf(event.dataTransfer?.files));
  }}
>
  <div class="head">
    <p><span class="label">Mood board</span> <span class="quiet">for direction, not for copying</span></p>
    <span class="quiet" role="status">{progress || said}</span>
    <MayChange
      ><button title="Words of your own on the board" class="link" onclick={addNote}>Add a note</button>
      <Button title="Pictures that show where the brand is heading; they never go into files" onclick={() => chooser?.click()}
        >Add pictures</Button
      ></MayChange
    >
    <input
      title="Pictures that show where the brand is heading; they never go into files"
      bind:this={chooser}
      class="off-screen"
      type="file"
      accept="image/*"
      multiple
      aria-label="Pictures for the board"
      onchange={(event) => take(filesOf(event.currentTarget.files))}
    />
  </div>
  {#if fault}<p class="fault" role="alert">{fault}</p>{/if}
  <div class="surface" bind:clientWidth={boardWidth} style:height="{height}px">
    {#each board.content.items as item (item.id)}
      <BoardCard
        {item}
        {pictures}
        {sendColor}
        preview={(next) => board.preview(replace(next))}
        commit={(next) => board.commit('Board', next ? replace(next) : board.content)}
        remove={() => board.commit('Board', { items: board.content.items.filter(({ id }) => id !== item.id) })}
      />
    {:else}
      <p class="quiet empty">
        Pictures and notes that show the direction will stand here. Drop them in, paste them, or add them above; their colors are drawn out
        and can be sent to the palette.
      </p>
    {/each}
  </div>
</section>

<style>
  .board {
    overflow: auto;
    padding: 20px 26px;
    background: var(--color-sheet);
  }
  .head {
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: 16px;
    margin-bottom: 14px;
  }
  .head p {
    flex: 1;
  }
  .surface {
    position: relative;
  }
  .empty {
    max-width: 420px;
    padding: 80px 0;
  }
  .fault {
    padding-bottom: 10px;
    color: var(--color-rust);
  }
</style>
