<script lang="ts">
  import { apply, invert, withGap, withLook, type Lettering, type LetterPlace, type Point, type ResolvedPart } from '$core/index';
  import { hold } from '../stage/hold';
  import type { StageView } from '../stage/stage-view.svelte';
  import { useTable } from '../table/table.svelte';
  import { signed } from './names';

  interface Props {
    part: Lettering;
    resolved: ResolvedPart;
    view: StageView;
    surface: SVGSVGElement | undefined;
    /** A letter that was pressed and not moved, while the text is typed: the caret goes there. */
    pressed: (event: PointerEvent) => void;
  }
  const { part, resolved, view, surface, pressed }: Props = $props();
  const table = useTable();

  const facts = $derived(resolved.lettering);
  const letters = $derived(facts?.letters ?? []);
  const toScreen = (point: Point): Point => view.toScreen(apply(resolved.transform, point));

  /** A point given along and up a letter's own baseline, on the screen. */
  const onLetter = (letter: LetterPlace, along: number, up: number): Point => {
    const turn = (letter.angleDeg * Math.PI) / 180;
    return toScreen({
      x: letter.at.x + along * Math.cos(turn) + up * Math.sin(turn),
      y: letter.at.y + along * Math.sin(turn) - up * Math.cos(turn),
    });
  };
  const cell = (letter: LetterPlace): string =>
    [
      onLetter(letter, -letter.halfWidthPx, 0),
      onLetter(letter, letter.halfWidthPx, 0),
      onLetter(letter, letter.halfWidthPx, letter.heightPx),
      onLetter(letter, -letter.halfWidthPx, letter.heightPx),
    ]
      .map(({ x, y }) => `${x},${y}`)
      .join(' ');
  const gaps = $derived(
    letters.slice(0, -1).flatMap((letter, at) => {
      const next = letters[at + 1];
      if (!next || letter.text.trim() === '' || next.text.trim() === '') return [];
      const a = onLetter(letter, letter.halfWidthPx, letter.heightPx * 0.5);
      const b = onLetter(next, -next.halfWidthPx, next.heightPx * 0.5);
      const turn = letter.angleDeg + Math.atan2(resolved.transform.b, resolved.transform.a) * (180 / Math.PI);
      return [{ letter, index: letter.index + letter.count - 1, x: (a.x + b.x) / 2, y: (a.y + b.y) / 2, turn }];
    }),
  );
  const handOf = (index: number) => part.gaps.find((gap) => gap.index === index)?.permille ?? 0;

  /** A way on the screen, along and up a letter, in 1/1000 em. */
  function inLetter(letter: LetterPlace, x: number, y: number) {
    const back = invert({ ...resolved.transform, e: 0, f: 0 });
    const local = back ? apply(back, { x: x / view.scale, y: y / view.scale }) : { x: 0, y: 0 };
    const turn = (letter.angleDeg * Math.PI) / 180;
    const perPx = 1000 / (facts?.sizePx || part.sizePx);
    return {
      along: (local.x * Math.cos(turn) + local.y * Math.sin(turn)) * perPx,
      up: (local.x * Math.sin(turn) - local.y * Math.cos(turn)) * perPx,
    };
  }
  const round = (value: number) => Math.round(value);

  function takeLetter(event: PointerEvent, letter: LetterPlace): void {
    if (event.button !== 0 || event.altKey || !surface) return;
    event.stopPropagation();
    table.gap = undefined;
    table.letter = letter.index;
    if (table.caret) event.preventDefault();
    else surface.focus({ preventScroll: true });
    const own = part.letters.find(({ at }) => 'index' in at && at.index === letter.index);
    const start = { shift: own?.shiftPermille ?? 0, rise: own?.risePermille ?? 0 };
    const from = part;
    hold(
      event,
      surface,
      (held) => {
        const { along, up } = inLetter(letter, held.x, held.y);
        const level = held.shift && Math.abs(along) >= Math.abs(up);
        const upright = held.shift && !level;
        table.previewLettering(
          from,
          withLook(
            from,
            { index: letter.index },
            {
              shiftPermille: upright ? start.shift || undefined : round(start.shift + along) || undefined,
              risePermille: level ? start.rise || undefined : round(start.rise + up) || undefined,
            },
          ),
        );
      },
      (moved) => (moved ? table.commit('Move letter') : table.caret && pressed(event)),
    );
  }

  let dragged: { readonly index: number; readonly permille: number } | undefined = $state.raw();
  function takeGap(event: PointerEvent, gap: (typeof gaps)[number]): void {
    if (event.button !== 0 || !surface) return;
    event.stopPropagation();
    table.gap = gap.index;
    table.caret = undefined;
    surface.focus({ preventScroll: true });
    const start = handOf(gap.index);
    const from = part;
    hold(
      event,
      surface,
      (held) => {
        const permille = Math.max(-2000, Math.min(5000, round(start + inLetter(gap.letter, held.x, held.y).along)));
        dragged = { index: gap.index, permille };
        table.previewLettering(from, withGap(from, gap.index, permille));
      },
      (moved) => {
        dragged = undefined;
        if (moved) table.commit('Gap');
      },
    );
  }
</script>

<g data-letters>
  {#each letters as letter (letter.index)}
    {#if letter.text.trim() !== ''}
      <!-- the stage has the keys: comma and period go from letter to letter -->
      <!-- svelte-ignore a11y_no_static_element_interactions -->
      <polygon
        class:current={letter.index === table.letter}
        points={cell(letter)}
        onpointerdown={(event) => takeLetter(event, letter)}
        data-letter={letter.index}
      />
    {/if}
  {/each}
  {#each gaps as gap (gap.index)}
    <!-- svelte-ignore a11y_no_static_element_interactions -->
    <g
      class="gap"
      class:current={gap.index === table.gap}
      class:hand={handOf(gap.index) !== 0}
      transform="translate({gap.x} {gap.y}) rotate({gap.turn})"
      onpointerdown={(event) => takeGap(event, gap)}
      data-gap={gap.index}
    >
      <rect x="-4" y="-11" width="8" height="22" />
      <path d="M-3 0h6M-1 -2.5l-2.5 2.5l2.5 2.5M1 -2.5l2.5 2.5l-2.5 2.5" />
      {#if dragged?.index === gap.index}<text y="-18" text-anchor="middle">{signed(dragged.permille)} ‰</text>{/if}
    </g>
  {/each}
</g>

<style>
  polygon {
    cursor: move;
    fill: transparent;
    stroke: var(--color-rule);
    stroke-width: 0.75;
    vector-effect: non-scaling-stroke;
  }
  polygon.current {
    fill: rgb(110 47 107 / 0.07);
    stroke: var(--color-plum);
    stroke-width: 1.25;
  }
  .gap {
    cursor: ew-resize;
  }
  .gap rect {
    fill: #fbf1dc;
    stroke: var(--color-amber);
    stroke-width: 0.75;
  }
  .gap path {
    fill: none;
    stroke: var(--color-amber);
  }
  .gap.hand rect {
    fill: #efd9a9;
  }
  .gap.current rect {
    stroke: var(--color-plum);
    stroke-width: 1.5;
  }
  text {
    fill: var(--color-amber);
    font-weight: 600;
    font-size: 12px;
    paint-order: stroke;
    stroke: var(--color-sheet);
    stroke-width: 4px;
  }
</style>
