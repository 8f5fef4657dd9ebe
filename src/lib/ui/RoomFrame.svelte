<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { RoomId } from './rooms';
  import TopBar from './TopBar.svelte';

  interface Props {
    brand: { readonly name: string; readonly slug: string };
    room: RoomId;
    /** Widths of its columns, as CSS writes them; one under the other where the page is narrow. */
    columns: string;
    /** The same where there is less room. */
    narrower?: string;
    /** What stands at the right end of the top line. */
    end: Snippet;
    /** What is said over all columns. */
    notices?: Snippet | undefined;
    children: Snippet;
  }
  const { brand, room, columns, narrower = columns, end, notices, children }: Props = $props();
</script>

<div class="room">
  <TopBar {brand} {room}>{@render end()}</TopBar>
  {@render notices?.()}
  <main style:--columns={columns} style:--narrower={narrower}>{@render children()}</main>
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
  @media (max-width: 1180px) {
    main {
      grid-template-columns: var(--narrower);
    }
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
