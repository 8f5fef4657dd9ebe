<script lang="ts">
  import { LICENSES, ownPieceSchema, pictureOf, type Backdrop, type KnownPart } from '$core/index';
  import { useTable } from '../table/table.svelte';
  import FindArt from './FindArt.svelte';
  import { asWord, builtFrom, type BroughtPiece } from './own-piece';

  interface Props {
    label: string;
    hint: string;
    value: Backdrop | null;
    /** The group that is built. */
    groupId: string;
    change: (value: Backdrop | null) => void;
  }
  const { label, hint, value, groupId, change }: Props = $props();
  const table = useTable();
  const built = builtFrom(table);

  /** @returns what kept the drawing from standing behind */
  function stand(made: BroughtPiece, word: string): string {
    if (!made.ok) return made.fault;
    const piece = ownPieceSchema.safeParse({ ...made.piece, word: asWord(word) });
    if (piece.success) change(piece.data);
    return piece.success ? '' : 'This drawing is too intricate to stand behind a letter. Choose or draw a plainer one.';
  }
  async function standPart(part: KnownPart): Promise<string> {
    if (part.kind !== 'picture') return stand(await built.ofPart(part), table.nameOf(part));
    const file = pictureOf(part);
    if (file) change({ ...file, source: part.source });
    return '';
  }
</script>

<div class="backdrop">
  {#if value}
    <p>
      <span title="“{value.source.title}”, {LICENSES[value.source.license as keyof typeof LICENSES]?.label ?? value.source.license}"
        >{value.source.title}</span
      >
      {#if !('sha256' in value)}
        <button
          class="link"
          title="Looks the other way"
          aria-pressed={value.turned}
          onclick={() => change({ ...value, turned: !value.turned })}>Turn round</button
        >
      {/if}
      <button class="link" title="Nothing stands behind the letters" onclick={() => change(null)}>Let go</button>
    </p>
  {/if}
  <FindArt
    {label}
    {hint}
    placeholder="“heron”, “lantern”"
    {groupId}
    kinds={['shape', 'curve', 'art', 'picture']}
    kindsHint="A drawing, a shape, a piece of art or a picture that stands in this mark; it stays where it is as well"
    question={() => 'Which of them stands behind? It is drawn in one color.'}
    called={(title) => `Put ${title} behind`}
    takeArt={async (entry, words) => stand(await built.ofArt(entry), words)}
    takePart={standPart}
  />
</div>

<style>
  .backdrop {
    padding: 4px 0;
    font-size: 13px;
  }
  p {
    display: flex;
    gap: 10px;
    margin: 2px 0;
  }
  span {
    flex: 1;
    font-weight: 600;
  }
</style>
