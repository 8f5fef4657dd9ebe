<script lang="ts">
  import { LICENSES, MOST_OWN_CHARGES, OWN_WORD, ownPieceSchema, type OwnPiece } from '$core/index';
  import { useTable } from '../table/table.svelte';
  import FindArt from './FindArt.svelte';
  import { asWord, builtFrom, type BroughtPiece } from './own-piece';

  interface Props {
    own: readonly OwnPiece[];
    /** Names that the blazon uses and nobody has drawn. */
    missing: readonly string[];
    /** The group that is built: its own parts are not borne on it. */
    groupId: string;
    /** Takes a piece under a name, or does something to those that are there. */
    take: (piece: OwnPiece) => void;
    change: (gesture: string, own: readonly OwnPiece[]) => void;
  }
  const { own, missing, groupId, take, change }: Props = $props();
  const table = useTable();
  const built = builtFrom(table);

  const refuses = (name: string) => (OWN_WORD.test(name) ? '' : 'A charge is called by letters alone, such as “lion rampant”.');
  /** Takes a piece where a crest can keep it; its numbers have an end. @returns what kept it from it */
  function bear(made: BroughtPiece, word: string): string {
    if (!made.ok) return made.fault;
    const piece = ownPieceSchema.safeParse({ ...made.piece, word });
    if (piece.success) take(piece.data);
    return piece.success ? '' : 'This drawing is too intricate to be borne. Choose or draw a plainer one.';
  }
</script>

<div class="own">
  {#each own as piece (piece.word)}
    <p>
      <span title="“{piece.source.title}”, {LICENSES[piece.source.license as keyof typeof LICENSES]?.label ?? piece.source.license}"
        >{piece.word}</span
      >
      <button
        class="link"
        title="Looks the other way"
        aria-pressed={piece.turned}
        aria-label="Turn {piece.word} round"
        onclick={() =>
          change(
            'turn a charge',
            own.map((each) => (each === piece ? { ...each, turned: !each.turned } : each)),
          )}>Turn round</button
      >
      <button
        class="link"
        title="Lets go of its picture; where the blazon names it, nothing stands until there is another"
        aria-label="Let go of {piece.word}"
        onclick={() =>
          change(
            'let a charge go',
            own.filter((each) => each !== piece),
          )}>Let go</button
      >
    </p>
  {/each}
  {#if own.length < MOST_OWN_CHARGES}
    <FindArt
      label="Pictures to bear"
      hint="A beast, a plant, a thing: what is chosen can be named in the blazon, and stand above and beside the shield"
      placeholder="“lion rampant”, “heron”"
      {groupId}
      kinds={['shape', 'curve', 'art']}
      kindsHint="A drawn curve, a shape or a piece of art that stands in this mark: its outline can be borne, or be the shield"
      wants={missing[0]}
      {refuses}
      question={(words) => `Which is the ${words}? It is borne in one tincture.`}
      called={(title, words) => `Bear ${title} as ${words}`}
      takeArt={async (entry, words) => bear(await built.ofArt(entry), words)}
      takePart={async (part, words) => bear(await built.ofPart(part), OWN_WORD.test(words) ? words : asWord(table.nameOf(part)))}
    />
  {:else}<p class="quiet">{MOST_OWN_CHARGES} pictures are as many as a crest keeps. Let one go to bear another.</p>{/if}
</div>

<style>
  .own {
    padding: 4px 0;
    border-bottom: 1px solid var(--color-rule);
    font-size: 13px;
  }
  p {
    display: flex;
    gap: 10px;
    margin: 2px 0;
  }
  p span:first-child:not(:only-child) {
    flex: 1;
    font-weight: 600;
  }
</style>
