<script lang="ts">
  import { forgetPictures } from '$lib/client/kept-pictures';
  import type { Snippet } from 'svelte';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import { looksOnly } from '$lib/people/roles';
  import Menu from './Menu.svelte';
  import { looksIn } from './kept-looks.svelte';
  import { commonRooms, rooms, type RoomId } from './rooms';

  interface Props {
    brand?: { readonly name: string; readonly slug: string };
    room?: RoomId;
    /** What stands at the right end: the save state, the keys. */
    children?: Snippet;
  }
  const { brand, room, children }: Props = $props();

  const signedIn = $derived(page.data.signedIn);
  let leaving: HTMLFormElement | undefined = $state();
  /** The first letters of the first and the last word of a name, as it stands in a narrow line. */
  function initialsOf(name: string): string {
    const words = name.trim().split(/\s+/u);
    const [first = '', last = ''] = [words[0], words.length > 1 ? words.at(-1) : ''].map((word) =>
      [...(word ?? '')][0]?.toLocaleUpperCase(),
    );
    return first + last || '·';
  }
  const common = $derived(commonRooms.filter(({ id }) => id !== 'people' || !signedIn || signedIn.role === 'owner'));
</script>

<header class:in-brand={brand !== undefined}>
  <a class="home" href="/" aria-label="Lucky Thistle, studio"
    ><img src="/thistle.svg" alt="" width="15" height="20" /><span class="word">Lucky Thistle</span></a
  >
  <span class="bar" aria-hidden="true"></span>
  <strong>{brand?.name ?? ''}</strong>
  <nav aria-label="Rooms">
    {#if brand}
      {#each rooms as { id, label, address } (id)}
        {@const looks = looksIn(brand.slug, id)}
        <a href={address(brand.slug)} aria-current={id === room ? 'page' : undefined}
          >{label}{#if looks > 0}<span class="looks" title="{looks} {looks === 1 ? 'thing needs' : 'things need'} a look there"
              >{looks}<span class="off-screen"> to look at</span></span
            >{/if}</a
        >
      {/each}
    {:else}
      {#each common as { id, label, address } (id)}
        <a href={address} aria-current={id === room ? 'page' : undefined}>{label}</a>
      {/each}
    {/if}
  </nav>
  <div class="end">
    {@render children?.()}
    {#if signedIn}
      {#if looksOnly(page.data)}<span title="Your role in this studio is to look: what you change is not kept">Looking only</span>{/if}
      {@const initials = initialsOf(signedIn.name)}
      <span class="person">
        <Menu
          label="{initials}, {signedIn.name}"
          sign={initials}
          items={[
            { label: 'Your password and sessions', act: () => void goto('/you') },
            { label: 'Sign out', act: () => leaving?.requestSubmit(), apart: true },
          ]}
        />
      </span>
      <form bind:this={leaving} method="POST" action="/sign-out" onsubmit={forgetPictures} hidden></form>
    {/if}
  </div>
</header>

<style>
  header {
    display: grid;
    grid-template-columns: auto auto minmax(0, auto) 1fr auto;
    align-items: center;
    gap: 18px;
    height: 46px;
    padding: 0 18px 0 22px;
    border-bottom: 1px solid var(--color-ink);
    background: var(--color-paper);
  }
  .home {
    display: flex;
    min-height: 24px;
    align-items: center;
    gap: 12px;
    font: 500 18px var(--font-serif);
  }
  .bar {
    width: 1px;
    height: 22px;
    background: var(--color-rule);
  }
  strong {
    overflow: hidden;
    font-weight: 600;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  nav {
    display: flex;
    justify-content: center;
    gap: 20px;
    height: 46px;
  }
  nav a {
    display: flex;
    align-items: center;
    border-bottom: 3px solid transparent;
    border-top: 3px solid transparent;
    color: var(--color-quiet);
  }
  nav a[aria-current] {
    border-bottom-color: var(--color-plum);
    color: var(--color-ink);
    font-weight: 600;
  }
  .word,
  nav a,
  .end > span {
    white-space: nowrap;
  }
  .person > :global(button) {
    display: grid;
    place-items: center;
    min-width: 28px;
    height: 28px;
    padding: 0 5px;
    border: 1px solid var(--color-plum);
    border-radius: 14px;
    color: var(--color-plum);
    font-weight: 600;
    font-size: 11px;
  }
  .looks {
    margin-left: 4px;
    color: var(--color-amber);
    font-weight: 600;
    font-size: 11px;
  }
  .end {
    display: flex;
    align-items: center;
    gap: 16px;
    color: var(--color-quiet);
    font-size: 12px;
  }
  /* Where it is narrow, the brand and its rooms are what is looked for. */
  @media (max-width: 1140px) {
    header,
    .home {
      gap: 12px;
    }
    .in-brand .word {
      display: none;
    }
    .in-brand .home {
      justify-content: center;
      min-width: 24px;
    }
    nav {
      gap: 15px;
    }
    .end {
      gap: 11px;
    }
  }
  @media (max-width: 900px) {
    header {
      display: flex;
      flex-wrap: wrap;
      gap: 0 18px;
      height: auto;
    }
    nav {
      flex: 1;
    }
    .end {
      flex-wrap: wrap;
      min-height: 34px;
    }
  }
</style>
