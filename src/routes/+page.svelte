<script lang="ts">
  import { Button } from 'flowbite-svelte';
  import { goto } from '$app/navigation';
  import BrandStrip from '$lib/studio/BrandStrip.svelte';
  import OwnName from '$lib/studio/OwnName.svelte';
  import NewBrand from '$lib/studio/NewBrand.svelte';
  import { looksOnly } from '$lib/people/roles';
  import { orderLabels, shelfLabels, shelfWords, Studio, type StudioQuery } from '$lib/studio/studio.svelte';
  import FileLink from '$lib/ui/FileLink.svelte';
  import TopBar from '$lib/ui/TopBar.svelte';
  import UndoNote from '$lib/ui/UndoNote.svelte';
  import MayChange from '$lib/ui/MayChange.svelte';

  const { data } = $props();
  let adding = $state(false);
  const studio = new Studio();

  const COUNTED = ['No', 'One', 'Two', 'Three', 'Four', 'Five', 'Six', 'Seven', 'Eight', 'Nine'];
  const heading = $derived(
    `${COUNTED[data.total] ?? data.total} ${data.total === 1 ? 'brand' : 'brands'} ${data.query.text ? 'found' : shelfWords[data.query.shelf]}`,
  );
  const day = (at: string | undefined) =>
    at ? ` · changed ${new Date(at).toLocaleDateString('en-GB', { day: 'numeric', month: 'short' })}` : '';

  /** Shows other brands, or in another order; what was typed and where the focus is stays. */
  function show(change: Partial<StudioQuery>): void {
    const { text, order, shelf, most } = { ...data.query, most: undefined, ...change };
    const query = new URLSearchParams({ ...(text ? { text } : {}), order, shelf, ...(most ? { most: String(most) } : {}) });
    void goto(`/?${query}`, { keepFocus: true, noScroll: true, replaceState: true });
  }
  let waiting: ReturnType<typeof setTimeout> | undefined;
  function search(text: string): void {
    clearTimeout(waiting);
    waiting = setTimeout(() => show({ text }), 200);
  }
</script>

<svelte:head><title>Studio · Lucky Thistle</title></svelte:head>
<TopBar room="studio"
  >{#if !data.signedIn}<OwnName />{/if}</TopBar
>
<main>
  <div class="head">
    <h1>{heading}</h1>
    <div class="find">
      <input
        title="Only brands whose names or words hold this"
        class="lone-field"
        type="search"
        aria-label="Find a brand"
        placeholder="Find a brand"
        maxlength="120"
        value={data.query.text}
        oninput={(event) => search(event.currentTarget.value)}
      />
      <select
        title="What stands first"
        class="lone-field"
        aria-label="Order"
        value={data.query.order}
        onchange={(event) => show({ order: event.currentTarget.value as StudioQuery['order'] })}
      >
        {#each Object.entries(orderLabels) as [value, label] (value)}<option {value}>{label}</option>{/each}
      </select>
      <select
        title="Brands at work, put away, or removed"
        class="lone-field"
        aria-label="Shelf"
        value={data.query.shelf}
        onchange={(event) => show({ shelf: event.currentTarget.value as StudioQuery['shelf'] })}
      >
        {#each Object.entries(shelfLabels) as [value, label] (value)}
          <option {value}>{label} ({data.counts[value as StudioQuery['shelf']]})</option>
        {/each}
      </select>
      <MayChange
        ><FileLink
          label="Bring in a brand file"
          hint="A whole brand from the file it was saved to"
          accept=".zip,application/zip"
          disabled={studio.bringing}
          take={([file]) => file && void studio.bring(file)}
        />
        <Button title="A name, what they do, and five colors; all can change later" onclick={() => (adding = true)}>New brand</Button
        ></MayChange
      >
    </div>
  </div>
  <UndoNote said={studio.said} undo={studio.undo} close={() => (studio.said = '')} />
  {#each data.brands as brand, index (brand.id)}
    <BrandStrip
      {...brand}
      note={brand.markNames.join(', ') + day(brand.workedAt)}
      items={studio.items(brand, data.query.order === 'arranged' && !data.query.text ? index : undefined, data.total, looksOnly(data))}
      renaming={studio.renaming === brand.id}
      rename={(name) => studio.rename(brand, name)}
      sameName={data.brands.some((other) => other.id !== brand.id && other.name === brand.name)}
    />
  {:else}
    <p class="empty quiet">
      {#if data.query.text}No brand has all of these words in its name or in what it does.
      {:else if data.query.shelf === 'kept'}Every client’s family of marks will stand here, each on its own ground. Add the first brand with
        its name and five colors.
      {:else}Nothing stands on this shelf.{/if}
    </p>
  {/each}
  {#if data.total > data.brands.length}
    <p class="more">
      <button class="link" onclick={() => show({ most: Math.min(600, data.brands.length + 12) })}
        >Show more ({data.total - data.brands.length} not shown)</button
      >
    </p>
  {/if}
</main>
<NewBrand bind:open={adding} />

<style>
  main {
    max-width: 1400px;
    margin: 0 auto;
    padding: 16px 26px 60px;
  }
  .head {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    justify-content: space-between;
    gap: 10px;
    padding: 6px 0 14px;
    border-bottom: 1px solid var(--color-ink);
  }
  .find {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 12px;
  }
  .find input {
    width: 190px;
  }
  .empty {
    max-width: 420px;
    padding: 60px 0;
  }
  .more {
    padding: 20px 0;
  }
</style>
