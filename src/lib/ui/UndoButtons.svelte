<script lang="ts">
  import type { UndoOrder } from '$lib/client/work/undo-order';

  const { order }: { order: UndoOrder } = $props();
</script>

<button onclick={order.undo} disabled={order.next === undefined} title="Undo {order.next ?? ''} (Ctrl Z)">Undo</button>
<button onclick={order.redo} disabled={order.again === undefined} title="Redo {order.again ?? ''} (Ctrl Shift Z)">Redo</button>

<style>
  button:disabled {
    cursor: default;
    opacity: 0.45;
  }
</style>
