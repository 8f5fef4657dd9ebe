<script lang="ts">
  import { onMount } from 'svelte';
  import { type Lettering } from '$core/index';
  import { useTable } from '../table/table.svelte';
  import { letterBefore, unitsBefore } from './caret';
  import { typedText } from './typed-text';

  /** Where the words are typed that stand on the stage: a field that is not seen, so that every way of typing works as in any other. */
  interface Props {
    part: Lettering;
    /** Where the caret is on the screen, so that what helps with typing opens beside it. */
    at: { readonly x: number; readonly y: number };
    /** Gives the keys back to the stage. */
    leave: () => void;
  }
  const { part, at, leave }: Props = $props();
  const table = useTable();
  let field: HTMLTextAreaElement | undefined = $state();

  onMount(() => field?.focus({ preventScroll: true }));
  // The caret goes where it was put by pointer; typed and moved by keys, it says where it is.
  $effect(() => {
    const { caret } = table;
    // What is drawn may lag behind what is typed: the field alone knows how far it is.
    if (!field || !caret?.put) return;
    const [anchor, focus] = [unitsBefore(field.value, caret.anchor), unitsBefore(field.value, caret.focus)];
    const [start, end] = [Math.min(anchor, focus), Math.max(anchor, focus)];
    if (document.activeElement !== field) field.focus({ preventScroll: true });
    if (field.selectionStart !== start || field.selectionEnd !== end)
      field.setSelectionRange(start, end, anchor > focus ? 'backward' : 'forward');
  });
  function follow(): void {
    if (!field || document.activeElement !== field || !table.caret) return;
    const [start, end] = [letterBefore(field.value, field.selectionStart), letterBefore(field.value, field.selectionEnd)];
    const [anchor, focus] = field.selectionDirection === 'backward' ? [end, start] : [start, end];
    if (anchor !== table.caret.anchor || focus !== table.caret.focus) table.caret = { anchor, focus };
  }
  let settle: ReturnType<typeof setTimeout> | undefined;
  function type(): void {
    if (!field) return;
    const text = typedText(field.value);
    table.retext(part, text);
    const focus = letterBefore(text, field.selectionStart);
    table.caret = { anchor: focus, focus };
    table.letter = Math.max(0, focus - 1);
    clearTimeout(settle);
    settle = setTimeout(() => table.commit('Type'), 700);
  }
  function keys(event: KeyboardEvent): void {
    // The letter that the caret has gone by is the one in hand.
    if (event.key.startsWith('Arrow')) requestAnimationFrame(() => table.caret && (table.letter = Math.max(0, table.caret.focus - 1)));
    if (event.key !== 'Escape') return;
    event.preventDefault();
    event.stopPropagation();
    table.commit('Type');
    table.caret = undefined;
    leave();
  }
</script>

<svelte:document onselectionchange={follow} />
<textarea
  bind:this={field}
  aria-label="Text on the stage"
  value={part.text}
  maxlength="2000"
  autocomplete="off"
  spellcheck="false"
  dir="auto"
  style:left="{at.x}px"
  style:top="{at.y}px"
  oninput={type}
  onkeydown={keys}
  onblur={() => table.commit('Type')}></textarea>

<style>
  textarea {
    position: absolute;
    overflow: hidden;
    width: 1px;
    height: 20px;
    padding: 0;
    border: 0;
    opacity: 0;
    pointer-events: none;
    resize: none;
    white-space: pre;
  }
</style>
