<script lang="ts">
  import { readBlazon, writeBlazon, type Arms, type OwnPiece, type ReadWord } from '$core/index';
  import OwnCharges from './OwnCharges.svelte';

  interface Props {
    label: string;
    hint: string;
    arms: Arms;
    groupId: string;
    /** Pictures that can be borne, by what the blazon calls them. */
    own: readonly OwnPiece[];
    change: (gesture: string, changed: { readonly arms?: Arms; readonly own?: readonly OwnPiece[] }) => void;
  }
  const { label, hint, arms, groupId, own, change }: Props = $props();
  const id = $props.id();

  /** What was typed and not understood to the end; the line is written back from what stands otherwise. */
  let odd: readonly ReadWord[] = $state.raw([]);
  let fault = $state('');
  /** What was typed and lacks a picture: it is read again when there is one. */
  let waiting = $state('');
  let missing: readonly string[] = $state.raw([]);
  const written = $derived(writeBlazon(arms));

  function read(text: string): void {
    const found = readBlazon(
      text,
      own.map(({ word }) => word),
    );
    missing = found.ok ? found.value.missing : [];
    waiting = missing.length > 0 ? text : '';
    if (!found.ok) {
      fault = found.problems.map(({ message, fix }) => `${message} ${fix ?? ''}`).join(' ');
      odd = [];
      return;
    }
    fault = '';
    odd = found.value.words.filter(({ understood }) => !understood);
    if (JSON.stringify(found.value.arms) !== JSON.stringify(arms)) change('blazon', { arms: found.value.arms });
  }

  /** A picture under a name: what was typed with it is read again. */
  function take(piece: OwnPiece): void {
    const next = [...own.filter(({ word }) => word !== piece.word), piece];
    const found =
      waiting === ''
        ? undefined
        : readBlazon(
            waiting,
            next.map(({ word }) => word),
          );
    change(`bear ${piece.word}`, { own: next, ...(found?.ok ? { arms: found.value.arms } : {}) });
    missing = found?.ok ? found.value.missing : [];
    odd = found?.ok ? found.value.words.filter(({ understood }) => !understood) : [];
    if (missing.length === 0) waiting = '';
  }
</script>

<div class="blazon" title={hint}>
  <label class="quiet" for={id}>{label}</label>
  <textarea
    title="What stands on the shield, in the terms of heraldry; Enter draws it"
    {id}
    value={written}
    rows="3"
    maxlength="600"
    spellcheck="false"
    aria-describedby="{id}-said"
    onchange={(event) => read(event.currentTarget.value)}
    onkeydown={(event) => {
      if (event.key !== 'Enter') return;
      event.preventDefault();
      event.currentTarget.blur();
    }}></textarea>
  <div id="{id}-said" aria-live="polite">
    {#if fault}<p class="odd">{fault}</p>{/if}
    {#if odd.length > 0}
      <p class="odd">
        Not understood, and left out:
        {#each odd as { text, nearest }, index (index)}<mark>{text}</mark>{nearest ? ` (perhaps ${nearest})` : ''}{index < odd.length - 1
            ? ' '
            : '.'}{/each}
      </p>
    {/if}
  </div>
</div>
<OwnCharges {own} {missing} {groupId} {take} change={(gesture, next) => change(gesture, { own: next })} />

<style>
  .blazon {
    padding: 4px 0;
    border-bottom: 1px solid var(--color-rule);
  }
  textarea {
    width: 100%;
    padding: 4px 6px;
    border: 1px solid var(--color-rule);
    background: var(--color-paper);
    font-size: 13px;
    line-height: 1.35;
  }
  .odd {
    margin: 2px 0;
    font-size: 12px;
  }
  mark {
    padding: 0 2px;
    background: transparent;
    color: var(--color-rust);
    text-decoration: underline wavy;
  }
</style>
