<script lang="ts">
  import type { Snippet } from 'svelte';
  import { answerUndoKeys, type UndoOrder } from '$lib/client/work/undo-order';
  import type { RoomId } from './rooms';
  import SaveNote from './SaveNote.svelte';
  import TopBar from './TopBar.svelte';
  import UndoButtons from './UndoButtons.svelte';
  import type { ComponentProps } from 'svelte';

  interface Props {
    brand: { readonly name: string; readonly slug: string };
    room: RoomId;
    /** Widths of its columns, as CSS writes them; one under the other where the page is narrow. */
    columns: string;
    /** What is saved and undone here. */
    works: ComponentProps<typeof SaveNote>['works'];
    order: UndoOrder;
    /** What is said over all columns. */
    notices?: Snippet;
    children: Snippet;
  }
  const { brand, room, columns, works, order, notices, children }: Props = $props();
</script>

<svelte:window onkeydown={(event) => void answerUndoKeys(event, order)} />
<div class="room">
  <TopBar {brand} {room}>
    <UndoButtons {order} />
    <SaveNote {works} />
  </TopBar>
  {@render notices?.()}
  <main style:--columns={columns}>{@render children()}</main>
</div>

<style>
  .room {
    display: flex;
    flex-direction: column;
    height: 100%;
  }
  main {
    display: grid;
    flex: 1;
    grid-template-columns: var(--columns);
    min-height: 0;
  }
  .room > :global(.fault) {
    padding: 8px 22px;
    color: var(--color-rust);
  }
  @media (max-width: 900px) {
    .room {
      height: auto;
    }
    main {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
