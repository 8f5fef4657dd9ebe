<script lang="ts">
  import { fileLine, dress, packKind } from '$core/index';
  import PrintDesk from './PrintDesk.svelte';
  import { useHandoverDesk } from './handover-desk.svelte';
  import { countsOf, sizeText, type FileView, type PackView } from './views';
  import MayChange from '$lib/ui/MayChange.svelte';

  const { pack, brandId }: { pack: PackView; brandId: string } = $props();
  const desk = useHandoverDesk();
  const counts = $derived(countsOf(pack));
  const open = $derived(desk.openPack === pack.id);
  const address = $derived(`/api/brands/${desk.brand.slug}/handovers/${pack.id}`);
  let looked: string | undefined = $state();

  const folders = $derived.by(() => {
    const byPack = new Map<string, FileView[]>();
    for (const file of pack.files) byPack.set(file.wanted.pack, [...(byPack.get(file.wanted.pack) ?? []), file]);
    return [...byPack.values()];
  });
  const date = (iso: string) =>
    new Date(iso).toLocaleString('en-GB', { day: 'numeric', month: 'long', hour: '2-digit', minute: '2-digit' });
  const markName = (id: string) => desk.marks.find((mark) => mark.id === id)?.name ?? 'a mark that is gone';
  const WORDS = {
    waiting: 'waits',
    making: 'is being made',
    done: 'opened and right',
    failed: 'could not be made',
    stopped: 'stopped',
  } as const;
</script>

<article class="made" aria-label="{pack.name}, number {pack.number}">
  <header>
    <h2>
      <button title="Shows the files of this pack" aria-expanded={open} onclick={() => (desk.openPack = open ? undefined : pack.id)}
        >{pack.name}</button
      >
    </h2>
    <p class="quiet">No. {pack.number}, {date(pack.createdAt)}{pack.by ? `, ${pack.by}` : ''}</p>
  </header>
  <p class="state" role="status">
    {#if counts.open > 0}
      {counts.done} of {counts.all} files made{counts.making ? `; ${counts.making.name} is being made` : '; waiting for a worker'}
    {:else if counts.failed + counts.stopped > 0}
      {counts.done} of {counts.all} files made{counts.failed > 0 ? `, ${counts.failed} could not be made` : ''}{counts.stopped > 0
        ? `, ${counts.stopped} stopped`
        : ''}
    {:else}
      All {counts.all} files were made, opened again and found right. {sizeText(counts.bytes)}.
    {/if}
  </p>
  {#if counts.open > 0}<progress max={counts.all} value={counts.done} aria-label="Files made"></progress>{/if}
  {#if counts.outdated > 0}
    <div class="old">
      {counts.outdated === counts.all
        ? 'All of its files show'
        : `${counts.outdated} of its files ${counts.outdated === 1 ? 'shows' : 'show'}`} marks or colors that have changed since.
      <MayChange
        ><button title="Makes again only what has changed since" class="link" onclick={() => void desk.again(pack)}
          >Make what changed</button
        ></MayChange
      >
    </div>
  {/if}
  <div class="actions">
    {#if counts.done === counts.all}<a class="link strong" href="{address}/pack.zip" download>Download the pack (ZIP)</a>{/if}
    <MayChange
      >{#if counts.open > 0}<button
          title="Stops after the files that are being made; it can go on later"
          class="link"
          onclick={() => void desk.tell(pack, 'stop')}>Stop</button
        >{/if}
      {#if counts.stopped > 0}<button title="Goes on where it was stopped" class="link" onclick={() => void desk.tell(pack, 'resume')}
          >Go on</button
        >
      {:else if counts.failed > 0}<button
          title="Makes again what failed; what is done stays"
          class="link"
          onclick={() => void desk.tell(pack, 'resume')}>Try again what failed</button
        >{/if}
      <button title="The pack goes from the list" class="link" onclick={() => void desk.tell(pack, 'remove')}>Take off the list</button
      ></MayChange
    >
  </div>
  {#if open}
    {#each folders as files (files[0]?.wanted.pack)}
      {@const kind = files[0]?.wanted.kind}
      {#if kind}<p class="label folder">{packKind(kind).label}</p>{/if}
      <table>
        <thead class="off-screen"><tr><th>State</th><th>File</th><th>Size</th><th></th></tr></thead>
        <tbody>
          {#each files as file (file.id)}
            <tr class={file.state}>
              <td class="tick" title={WORDS[file.state]}
                >{file.state === 'done' ? '✓' : file.state === 'failed' ? '✗' : file.state === 'making' ? '…' : '·'}<span class="off-screen"
                  >{WORDS[file.state]}</span
                ></td
              >
              <td>
                {#if file.state === 'done'}<a class="file" href="{address}/files/{file.id}" target="_blank" rel="noreferrer"
                    >{file.name.split('/').at(-1)}</a
                  >
                {:else}<span class="file">{file.name.split('/').at(-1)}</span>{/if}
                <span class="quiet line"
                  >{fileLine({
                    markName: markName(file.wanted.mark),
                    colorway: dress(desk.brand.palette, file.wanted.dressing).label,
                    wanted: file.wanted,
                  })}{file.outdated ? '; has changed since' : ''}</span
                >
                {#if file.reason}<span class="fault">{file.reason.map(({ message, fix }) => `${message} ${fix ?? ''}`).join(' ')}</span
                  >{/if}
                {#if looked === file.id && file.verdict}
                  <ul class="verdict">
                    {#each file.verdict.checks as check (check.id)}<li class:wrong={!check.passes}>
                        {check.passes ? '✓' : '✗'}
                        {check.message}
                      </li>{/each}
                    <li class="quiet">drawn from revision {file.revision} of its mark, palette {pack.palette}</li>
                  </ul>
                {/if}
              </td>
              <td class="size">{file.sizeBytes === null ? '' : sizeText(file.sizeBytes)}</td>
              <td class="more">
                {#if file.verdict}<button
                    title="What was measured in this file, and whether it holds"
                    class="link"
                    aria-expanded={looked === file.id}
                    aria-label="What was checked in {file.name}"
                    onclick={() => (looked = looked === file.id ? undefined : file.id)}>checks</button
                  >{/if}
                {#if file.state === 'failed' || file.state === 'stopped'}<MayChange
                    ><button
                      title="Makes this one file again"
                      class="link"
                      aria-label="Try {file.name} again"
                      onclick={() => void desk.tell(pack, 'resume', file.id)}>try again</button
                    ></MayChange
                  >{/if}
              </td>
            </tr>
          {/each}
        </tbody>
      </table>
    {/each}
    {#if counts.done > 0}<PrintDesk {brandId} {pack} />{/if}
  {/if}
</article>

<style>
  .made {
    padding: 14px 0 16px;
    border-bottom: 1px solid var(--color-ink);
  }
  header {
    display: flex;
    gap: 14px;
    align-items: baseline;
    justify-content: space-between;
  }
  progress {
    width: 100%;
    height: 5px;
    appearance: none;
    background: var(--color-rule);
  }
  progress::-webkit-progress-bar {
    background: var(--color-rule);
  }
  progress::-webkit-progress-value {
    background: var(--color-moss);
  }
  progress::-moz-progress-bar {
    background: var(--color-moss);
  }
  .old {
    color: var(--color-amber);
  }
  .actions {
    display: flex;
    flex-wrap: wrap;
    gap: 18px;
    padding: 4px 0;
  }
  .strong {
    text-decoration: underline;
  }
  .folder {
    padding-top: 10px;
  }
  table {
    width: 100%;
    border-collapse: collapse;
  }
  td {
    padding: 3px 8px 3px 0;
    border-top: 1px solid var(--color-rule);
    vertical-align: top;
  }
  .tick {
    width: 20px;
  }
  .done .tick {
    color: var(--color-moss);
  }
  .failed .tick,
  .fault,
  .wrong {
    color: var(--color-rust);
  }
  .file {
    overflow-wrap: anywhere;
    font-weight: 500;
  }
  a.file:hover {
    text-decoration: underline;
  }
  .line,
  .fault {
    display: block;
    font-size: 12px;
  }
  .size {
    font-variant-numeric: tabular-nums;
    text-align: right;
    white-space: nowrap;
  }
  .more {
    width: 118px;
    text-align: right;
    white-space: nowrap;
  }
  .verdict {
    padding: 4px 0;
    font-size: 12px;
  }
</style>
