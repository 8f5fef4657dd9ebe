<script lang="ts">
  import type { Snippet } from 'svelte';
  import { answerUndoKeys, type UndoOrder } from '$lib/client/work/undo-order';
  import type { RoomId } from './rooms';
  import RoomFrame from './RoomFrame.svelte';
  import SaveNote from './SaveNote.svelte';
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
<RoomFrame {brand} {room} {columns} {notices} {children}>
  {#snippet end()}
    <UndoButtons {order} />
    <SaveNote {works} />
  {/snippet}
</RoomFrame>
