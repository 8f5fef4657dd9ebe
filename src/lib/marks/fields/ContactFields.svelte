<script lang="ts">
  import {
    addPart,
    changePart,
    CONTACT_ALIGNS,
    CONTACT_RUNS,
    createPart,
    expect,
    freePartId,
    retext,
    type Contact,
    type Lettering,
  } from '$core/index';
  import Choice from '$lib/ui/Choice.svelte';
  import NumberFields from './NumberFields.svelte';
  import { NUMBERS } from './numbers';
  import { useTable } from '../table/table.svelte';

  const { part }: { part: Contact } = $props();
  const table = useTable();

  const member = (id: string | null) => table.parts.find((each) => each.id === id);
  const words = (id: string): Lettering | undefined => {
    const found = member(id);
    return found?.kind === 'lettering' ? found : undefined;
  };

  /** Another line: symbol and words as the last one has them, to be changed. */
  function add(): void {
    const last = part.lines.at(-1);
    const text = last && words(last.text);
    if (!text) return;
    let recipe = table.open.recipe;
    const textId = freePartId(recipe, 'line');
    recipe = addPart(recipe, expect(createPart({ ...text, id: textId, text: 'One more line' })));
    const symbol = member(last.symbol);
    const symbolId = symbol && symbol.kind !== 'unknown' ? freePartId(recipe, 'symbol') : null;
    if (symbol && symbol.kind !== 'unknown' && symbolId) recipe = addPart(recipe, expect(createPart({ ...symbol, id: symbolId })));
    table.open.commit(
      'Add a contact line',
      changePart(recipe, part.id, {
        members: [...part.members, ...(symbolId ? [symbolId] : []), textId],
        lines: [...part.lines, { symbol: symbolId, text: textId }],
      }),
    );
  }
  function move(at: number, by: number): void {
    const lines = [...part.lines];
    const [moving] = lines.splice(at, 1);
    if (!moving) return;
    lines.splice(at + by, 0, moving);
    table.change(part.id, 'Move a contact line', { lines });
  }
</script>

{#each part.lines as line, at (line.text)}
  {@const text = words(line.text)}
  <div class="line">
    {#if text}
      <input
        title="The words of this line"
        class="lone-field"
        aria-label="Contact line {at + 1}"
        value={text.text}
        maxlength="200"
        dir="auto"
        oninput={(event) => table.preview(text.id, retext(text, event.currentTarget.value))}
        onchange={() => table.commit('Type')}
        onkeydown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
      />
    {:else}<span class="quiet">Without words</span>{/if}
    <button
      title="Goes to the symbol of this line"
      class="link"
      aria-label="Choose the symbol of line {at + 1}"
      disabled={!line.symbol}
      onclick={() => line.symbol && (table.selectedId = line.symbol)}>Symbol</button
    >
    <button title="One line further up" aria-label="Move line {at + 1} up" disabled={at === 0} onclick={() => move(at, -1)}>↑</button>
  </div>
{/each}
<button title="Another line under these, with a symbol like the last one’s" class="link" disabled={part.lines.length >= 24} onclick={add}
  >Add a line</button
>
<Choice
  label="Runs in a"
  hint="Lines below each other, or one after the other"
  value={part.run}
  options={CONTACT_RUNS.map((value) => ({ value, label: value }))}
  choose={(run) => table.change(part.id, 'Run', { run })}
/>
<Choice
  label="Align"
  hint="Whether the lines begin at one edge or stand on one middle"
  value={part.align}
  options={CONTACT_ALIGNS.map((value) => ({ value, label: value }))}
  choose={(align) => table.change(part.id, 'Alignment', { align })}
/>
<NumberFields {part} rows={NUMBERS.contact} />
<p class="quiet">All in percent of the first line’s capitals: another size of that line sizes all.</p>

<style>
  .line {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto 24px;
    align-items: center;
    gap: 8px;
    padding: 2px 0;
  }
  .line button:disabled {
    opacity: 0.35;
  }
  p {
    padding: 4px 0;
    font-size: 12px;
  }
</style>
