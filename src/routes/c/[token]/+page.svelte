<script lang="ts">
  import ClientMark from '$lib/client-page/ClientMark.svelte';

  const { data, form } = $props();
</script>

<svelte:head>
  <title>{data.locked ? 'A word, please' : `${data.name}: ${data.title}`}</title>
  <meta name="robots" content="noindex, nofollow" />
</svelte:head>
<main>
  {#if data.locked}
    <h1>A word, please</h1>
    <p>This page is open to those who know the word. Your designer has told it to you.</p>
    <form method="POST" action="?/word">
      <label for="word">Word</label>
      <input id="word" name="word" type="password" maxlength="200" required autocomplete="off" />
      <button>Open</button>
    </form>
    {#if form?.said}<p class="fault" role="alert">{form.said}</p>{/if}
  {:else}
    <h1>{data.name}</h1>
    <p class="quiet">
      {data.title}{data.endsAt ? `. Open until ${data.endsAt.slice(0, 10)}` : ''}.
      <a href="/c/{data.token}/sheet.pdf">How the brand is used, as a PDF</a>
    </p>
    {#if form?.said}<p class="fault" role="alert">{form.said}</p>{/if}
    <ul class="palette" aria-label="Colors">
      {#each data.palette as { key, name, hex } (key)}
        <li><span style:background={hex}></span>{name} <code>{hex}</code></li>
      {/each}
    </ul>
    {#if data.packs.length > 0}
      <h2>Packs of files</h2>
      <ul class="packs">
        {#each data.packs as { id, name, files, at } (id)}
          <li>
            <a href="/c/{data.token}/packs/{id}.zip">{name}</a>
            <span class="quiet">{files} {files === 1 ? 'file' : 'files'}, made on {at.slice(0, 10)}</span>
          </li>
        {/each}
      </ul>
    {/if}
    {#each data.marks as mark (mark.id)}
      <ClientMark
        {mark}
        token={data.token}
        from={data.from}
        notes={data.notes.filter((note) => note.mark === mark.id)}
        placed={data.placed?.mark === mark.id ? data.placed : null}
      />
    {/each}
    {#if data.marks.length === 0}<p>Nothing is shown here yet.</p>{/if}
  {/if}
</main>

<style>
  main {
    max-width: 860px;
    margin: 0 auto;
    padding: 28px 18px 60px;
    font-size: 16px;
  }
  h1 {
    overflow-wrap: anywhere;
  }
  a {
    color: var(--color-plum);
    font-weight: 600;
  }
  .quiet {
    margin: 4px 0 18px;
    color: var(--color-quiet);
  }
  .palette {
    display: flex;
    flex-wrap: wrap;
    gap: 6px 18px;
    margin-bottom: 18px;
    padding: 0;
    list-style: none;
    font-size: 14px;
  }
  .palette span {
    display: inline-block;
    width: 18px;
    height: 18px;
    margin-right: 6px;
    border: 1px solid var(--color-rule);
    vertical-align: -4px;
  }
  .packs {
    margin: 6px 0 24px;
  }
  .packs a {
    display: inline-block;
    min-height: 32px;
  }
  form {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 10px;
    margin-top: 16px;
  }
  input {
    min-height: 44px;
    padding: 8px 10px;
    border: 1px solid var(--color-quiet);
    background: var(--color-sheet);
  }
  button {
    min-height: 44px;
    padding: 8px 18px;
    background: var(--color-plum);
    color: #fff;
    font-weight: 600;
  }
  .fault {
    margin-top: 10px;
    color: var(--color-rust);
  }
</style>
