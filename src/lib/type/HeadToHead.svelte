<script lang="ts">
  import { changePart, withNews, type Palette, type Recipe, type ScreenPicture } from '$core/index';
  import { writtenParts } from '$lib/client/written-parts';
  import Choice from '$lib/ui/Choice.svelte';
  import MarkPicture from '$lib/ui/MarkPicture.svelte';
  import WordDrawing from '$lib/ui/WordDrawing.svelte';
  import { useTrials } from './trials.svelte';

  interface Props {
    palette: Palette;
    /** The brand's marks; the first is the one the faces are tried in. */
    marks: readonly { readonly id: string; readonly recipe: Recipe }[];
  }
  const { palette, marks }: Props = $props();
  const trials = useTrials();

  const VIEWS = [
    { value: 'beside', label: 'side by side' },
    { value: 'over', label: 'laid over' },
    { value: 'sizes', label: 'three sizes' },
    { value: 'reversed', label: 'reversed' },
    { value: 'round', label: 'round crop' },
    { value: 'mark', label: 'inside the mark' },
  ] as const;
  let view: (typeof VIEWS)[number]['value'] = $state('beside');
  const faces = $derived(trials.kept.slice(0, 4));
  const INKS = ['var(--color-plum)', 'var(--color-moss)', 'var(--color-amber)', 'var(--color-rust)'];

  const name = $derived(marks[0]?.recipe.parts.findLast((part) => part.kind === 'lettering'));
  let inMark: ReadonlyMap<string, ScreenPicture> = $state.raw(new Map());
  /** What was drawn last in every face: the worker tells only what is new. */
  const seen = new Map<string, ScreenPicture>();
  $effect(() => {
    const [mark] = marks;
    if (view !== 'mark' || !mark || name?.kind !== 'lettering') return;
    const wanted = faces.map(({ id }) => trials.fontOf(id));
    let newest = true;
    void (async () => {
      const pictures = new Map<string, ScreenPicture>();
      for (const font of wanted) {
        // The mark as it stands, everything done to its lettering included; only the face is another.
        const recipe = changePart(mark.recipe, name.id, { font });
        pictures.set(
          font.family,
          await trials.drawing.ask(async (draughtsman) => {
            const shown = marks.map((each) => ({ id: each.id, parts: writtenParts(each.id === mark.id ? recipe : each.recipe) }));
            return draughtsman.picture(mark.id, 'full', `${font.family}-`, { palette, marks: shown }).then((news) => {
              const picture = withNews(news, seen.get(font.family)?.groups ?? []);
              seen.set(font.family, picture);
              return picture;
            });
          }),
        );
      }
      if (newest) inMark = pictures;
    })();
    return () => (newest = false);
  });
</script>

<section aria-label="Head to head">
  <Choice
    label="Head to head"
    hint="How two faces are laid against each other"
    options={VIEWS}
    value={view}
    choose={(next) => (view = next)}
  />
  {#if view === 'over'}
    <div class="over">
      {#each faces as face, index (face.id)}
        <span><WordDrawing picture={trials.pictures.get(face.id)} heightPx={120} widthPx={820} sizePx={92} color={INKS[index]} /></span>
      {/each}
    </div>
    <p class="names">
      {#each faces as face, index (face.id)}<strong style:color={INKS[index]}>{face.name}</strong>
      {/each}
    </p>
  {:else}
    <div class="columns" style:grid-template-columns="repeat({Math.max(2, faces.length)}, 1fr)">
      {#each faces as face (face.id)}
        {@const picture = trials.pictures.get(face.id)}
        <figure>
          {#if view === 'sizes'}
            {#each [48, 24, 12] as sizePx (sizePx)}<WordDrawing {picture} heightPx={sizePx * 1.7} widthPx={200} {sizePx} />{/each}
          {:else if view === 'reversed'}
            <div class="ground" style:background={palette.ink}>
              <WordDrawing {picture} heightPx={84} widthPx={190} sizePx={44} color={palette.paper} />
            </div>
          {:else if view === 'round'}
            <div class="round" style:background={palette.paper}>
              <WordDrawing {picture} heightPx={40} widthPx={96} sizePx={40} color={palette.ink} />
            </div>
          {:else if view === 'mark'}
            <div class="ground" style:background={palette.paper}>
              <MarkPicture picture={inMark.get(face.id)} label="The mark in {face.name}" air={0.04} />
            </div>
          {:else}
            <WordDrawing {picture} heightPx={96} widthPx={200} sizePx={52} />
          {/if}
          <figcaption>{face.name}</figcaption>
        </figure>
      {/each}
    </div>
  {/if}
</section>

<style>
  section {
    padding: 6px 14px 12px;
    border-bottom: 1px solid var(--color-ink);
    background: var(--color-sheet);
  }
  .over {
    position: relative;
    height: 120px;
  }
  .over span {
    position: absolute;
    inset: 0;
    opacity: 0.5;
    mix-blend-mode: multiply;
  }
  .names strong {
    margin-right: 14px;
  }
  .columns {
    display: grid;
    gap: 14px;
    align-items: end;
    padding-top: 8px;
  }
  figure {
    min-width: 0;
    overflow: hidden;
  }
  figcaption {
    color: var(--color-quiet);
    font-size: 12px;
  }
  .ground {
    height: 104px;
    padding: 10px;
  }
  .round {
    display: grid;
    width: 112px;
    height: 112px;
    overflow: hidden;
    border: 1px solid var(--color-quiet);
    border-radius: 50%;
    place-items: center;
  }
</style>
