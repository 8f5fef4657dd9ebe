<script lang="ts">
  import { onMount } from 'svelte';
  import { parseAmount, PROCESS_NAMES, processOf, type DeskAnswer, type ProcessName } from '$core/index';
  import { request, sentences } from '$lib/client/request';
  import { onNews } from '$lib/client/work/news';
  import { useHandoverDesk } from './handover-desk.svelte';
  import type { PackView } from './views';
  import MayChange from '$lib/ui/MayChange.svelte';

  interface Letter {
    readonly id: string;
    readonly file: string;
    readonly process: ProcessName;
    readonly widthMm: number | null;
    readonly askedAt: string;
    readonly dueAt: string;
    readonly answer: DeskAnswer | null;
  }
  const { brandId, pack }: { brandId: string; pack: PackView } = $props();
  const desk = useHandoverDesk();
  const address = $derived(`/api/brands/${desk.brand.slug}/print-orders`);

  let letters: readonly Letter[] = $state.raw([]);
  let process: ProcessName = $state('shirt');
  let chosen = $state('');
  let width = $state('');
  let fault = $state('');
  let now = $state(Date.now());

  const done = $derived(pack.files.filter(({ state }) => state === 'done'));
  const fitting = $derived(done.filter(({ wanted }) => processOf(process).formats.includes(wanted.format)));
  const offered = $derived(fitting.length > 0 ? fitting : done);
  const file = $derived(offered.find(({ id }) => id === chosen) ?? offered[0]);
  const own = $derived(letters.filter((letter) => pack.files.some(({ id }) => id === letter.file)));
  const waiting = $derived(own.some(({ answer }) => answer === null));

  async function load(): Promise<void> {
    const answer = await request<readonly Letter[]>('GET', address);
    if (answer.ok) letters = answer.value;
  }
  onMount(() => {
    void load();
    return onNews(`desk:${brandId}`, () => void load());
  });
  $effect(() => {
    if (!waiting) return;
    const timer = setInterval(() => (now = Date.now()), 1000);
    return () => clearInterval(timer);
  });

  async function send(event: SubmitEvent): Promise<void> {
    event.preventDefault();
    fault = '';
    const amount = width.trim() === '' ? undefined : parseAmount(width);
    if (amount && !amount.ok) fault = sentences(amount.problems);
    if (!file || fault) return;
    await post(file.id, process, amount?.ok ? amount.value : undefined);
  }
  async function post(of: string, what: ProcessName, widthMm: number | undefined): Promise<void> {
    const answer = await request('POST', address, {
      id: crypto.randomUUID(),
      file: of,
      process: what,
      ...(widthMm === undefined ? {} : { widthMm }),
    });
    if (!answer.ok) fault = sentences(answer.problems);
    await load();
  }
  const nameOf = (id: string) => pack.files.find((each) => each.id === id)?.name ?? '';
</script>

<section class="desk" aria-label="Print desk">
  <p class="label">Print desk</p>
  <p class="quiet">
    A supplier that comes with the app and stands for a real one: it opens a file as makers do and says what would go wrong. It takes its
    time.
  </p>
  <form onsubmit={send}>
    <MayChange>
      <label
        >for <select title="How it is printed: each way has its own rules" class="lone-field" bind:value={process}
          >{#each PROCESS_NAMES as name (name)}<option value={name}>{processOf(name).label}</option>{/each}</select
        ></label
      >
      <label class="grow"
        >send <select
          title="A file of a pack that was made"
          class="lone-field"
          value={file?.id}
          onchange={(event) => (chosen = event.currentTarget.value)}
          >{#each offered as { id, name } (id)}<option value={id}>{name}</option>{/each}</select
        ></label
      >
      <label
        >wide on the goods <input
          title="How wide it is printed; empty takes what the file says"
          class="lone-field mm"
          inputmode="decimal"
          bind:value={width}
          placeholder="as it says"
        /> mm</label
      >
      <button title="The desk measures the file and answers with a letter" class="link" disabled={!file}>Send</button></MayChange
    >
  </form>
  <p class="quiet takes">Takes {processOf(process).takes}.</p>
  {#if fault}<p class="no" role="alert">{fault}</p>{/if}
  <ul aria-live="polite">
    {#each own as letter (letter.id)}
      <li>
        <strong>{nameOf(letter.file).split('/').at(-1)}</strong> for {processOf(letter.process).label}{letter.widthMm === null
          ? ''
          : `, ${letter.widthMm} mm wide`}:
        {#if letter.answer?.accepted}<span class="yes">accepted.</span>
        {:else if letter.answer}
          <span class="no">refused.</span>
          {#each letter.answer.reasons as reason (reason.code)}<span class="reason">{reason.message}</span>{/each}
        {:else if now > Date.parse(letter.dueAt)}
          <span class="late">no answer yet, though it was promised by {new Date(letter.dueAt).toLocaleTimeString('en-GB')}.</span>
          <MayChange
            ><button
              title="Sends the same file once more"
              class="link"
              onclick={() => void post(letter.file, letter.process, letter.widthMm ?? undefined)}>Ask again</button
            ></MayChange
          >
        {:else}<span class="quiet">sent; an answer is promised by {new Date(letter.dueAt).toLocaleTimeString('en-GB')}.</span>{/if}
      </li>
    {/each}
  </ul>
</section>

<style>
  .desk {
    margin-top: 18px;
    padding-top: 12px;
    border-top: 1px solid var(--color-ink);
  }
  form {
    display: flex;
    flex-wrap: wrap;
    gap: 8px 14px;
    align-items: center;
    padding-top: 6px;
  }
  .grow {
    flex: 1 1 260px;
    min-width: 0;
  }
  .grow select {
    width: calc(100% - 40px);
  }
  .mm {
    width: 84px;
  }
  .takes {
    font-size: 12px;
  }
  li {
    padding: 4px 0;
    border-top: 1px solid var(--color-rule);
  }
  .reason {
    display: block;
    padding-left: 14px;
  }
  .yes {
    color: var(--color-moss);
  }
  .no {
    color: var(--color-rust);
  }
  .late {
    color: var(--color-amber);
  }
</style>
