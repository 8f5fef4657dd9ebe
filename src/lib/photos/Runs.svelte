<script lang="ts">
  import { sentences } from '$lib/client/request';
  import Compare from './Compare.svelte';
  import { usePhotosDesk } from './photos-desk.svelte';
  import { countsOf, filesText, percentText, type PhotoFileView, type PhotoRunView } from './views';
  import MayChange from '$lib/ui/MayChange.svelte';

  const desk = usePhotosDesk();
  let open: string | undefined = $state();
  let compared: { readonly run: PhotoRunView; readonly file: PhotoFileView } | undefined = $state.raw();
  /** What is shown of a file, before and after: the photo, or each page that was marked. */
  function viewsOf({ run, file }: { readonly run: PhotoRunView; readonly file: PhotoFileView }) {
    const pages = file.pages?.map((id, at) => {
      const number = file.report?.pages?.[at] ?? at + 1;
      return { label: `page ${number}`, before: desk.previewOf({ id }), after: desk.lookAddress(run.id, file.id, number) };
    });
    return pages ?? [{ label: '', before: desk.previewOf({ id: file.photo }), after: desk.fileAddress(run.id, file.id) }];
  }
  const WORDS = { waiting: 'waits', making: 'is being marked', done: 'done', failed: 'could not be marked', stopped: 'stopped' } as const;
</script>

{#if desk.runs.length > 0}<p class="label">Runs</p>{/if}
{#each desk.runs as run (run.id)}
  {@const counts = countsOf(run)}
  <article aria-label={run.name}>
    <p class="head">
      <button
        title="Shows the photos of this run"
        class="link"
        aria-expanded={open === run.id}
        onclick={() => (open = open === run.id ? undefined : run.id)}>{run.name}</button
      >
      <span class="quiet"
        >{new Date(run.createdAt).toLocaleString('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' })}</span
      >
    </p>
    <p role="status">
      {#if counts.open > 0}{counts.done} of {counts.all} marked{counts.making ? `; ${counts.making.name}` : '; waiting for a worker'}
      {:else if counts.failed + counts.stopped > 0}{counts.done} of {counts.all} marked{counts.failed
          ? `, ${counts.failed} could not be`
          : ''}{counts.stopped ? `, ${counts.stopped} stopped` : ''}
      {:else}{filesText(run)} marked and opened again{/if}
    </p>
    {#if counts.open > 0}<progress max={counts.all} value={counts.done} aria-label="Photos marked"></progress>{/if}
    <div class="ways">
      {#if counts.open === 0 && counts.stopped === 0 && counts.done > 0}<a class="link" href={desk.zipAddress(run.id)} download
          >Download (ZIP)</a
        >{/if}
      <MayChange
        >{#if counts.open > 0}<button
            title="Stops after the photo that is being made; it can go on later"
            class="link"
            onclick={() => void desk.tell(run, 'stop')}>Stop</button
          >{/if}
        {#if counts.open === 0 && counts.stopped > 0}<button
            title="Goes on where it was stopped"
            class="link"
            onclick={() => void desk.tell(run, 'resume')}>Go on</button
          >{/if}
        {#if counts.open === 0 && counts.stopped === 0 && counts.failed > 0}<button
            title="Makes again what failed; what is done stays"
            class="link"
            onclick={() => void desk.tell(run, 'resume')}>Try again</button
          >{/if}
        {#if counts.open === 0}<button title="The run goes from the list" class="link" onclick={() => void desk.tell(run, 'remove')}
            >Take off the list</button
          >{/if}</MayChange
      >
    </div>
    {#if open === run.id}
      <ul>
        {#each run.files as file (file.id)}
          <li>
            {#if file.state === 'done'}
              <button title="The photo before and after, side by side" class="link" onclick={() => (compared = { run, file })}
                >{file.name}</button
              >
              {#if file.report}<span class="quiet">{percentText(file.report.protectedShare)} protected</span>{/if}
              {#each file.report?.notes ?? [] as note (note)}<span class="quiet">{note}</span>{/each}
            {:else}{file.name} <span class="quiet">{WORDS[file.state]}</span>{/if}
            {#if file.reason}<span class="fault">{sentences(file.reason)}</span>{/if}
          </li>
        {/each}
      </ul>
    {/if}
  </article>
{/each}
{#if compared}
  <Compare
    views={viewsOf(compared)}
    file={desk.fileAddress(compared.run.id, compared.file.id)}
    name={compared.file.name}
    shown={!compared.file.name.endsWith('.tif')}
    close={() => (compared = undefined)}
  />
{/if}

<style>
  .label {
    padding-top: 22px;
  }
  article {
    padding: 6px 0;
    border-bottom: 1px solid var(--color-rule);
  }
  .head,
  .ways {
    display: flex;
    flex-wrap: wrap;
    justify-content: space-between;
    gap: 2px 14px;
  }
  .ways {
    justify-content: flex-start;
  }
  progress {
    width: 100%;
    height: 6px;
    accent-color: var(--color-plum);
  }
  li {
    padding: 3px 0;
    font-size: 12px;
    overflow-wrap: anywhere;
  }
  .fault {
    color: var(--color-rust);
  }
</style>
