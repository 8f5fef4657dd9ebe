<script lang="ts">
  /** Shows by keyboard what hovering shows by pointer: the sentence of the control that has the focus. Escape, or a key that acts, takes it away. */
  let hint: { readonly text: string; readonly left: number; readonly top: number; readonly above: boolean } | undefined = $state();
  const WIDTH_PX = 260;
  const ROOM_PX = 90;

  /** Whether the pointer was used last: fields show their focus after a click, too, which has said its sentence while it hovered. */
  let pointed = false;

  function focused(event: FocusEvent): void {
    hint = undefined;
    if (pointed) return;
    const control = event.target instanceof Element ? event.target : undefined;
    // Only where the browser itself shows the focus: a click says nothing twice.
    if (!control?.matches(':focus-visible')) return;
    const titled = control.closest('[title]');
    const text = titled?.getAttribute('title') ?? '';
    if (text === '') return;
    const { left, top, bottom } = control.getBoundingClientRect();
    const above = bottom + ROOM_PX > innerHeight;
    hint = { text, left: Math.max(4, Math.min(left, innerWidth - WIDTH_PX - 8)), top: above ? top - 6 : bottom + 6, above };
  }
</script>

<svelte:document
  onfocusin={focused}
  onfocusout={() => (hint = undefined)}
  onpointerdowncapture={() => ((pointed = true), (hint = undefined))}
  onkeydowncapture={(event) => {
    pointed = false;
    if (event.key !== 'Tab' && event.key !== 'Shift') hint = undefined;
  }}
/>
<!-- Made anew each time, so that it comes over a dialog that was opened since. -->
{#key hint}
  {#if hint}
    <!-- The browser reads the title of the control by itself. -->
    <div
      class="hint"
      popover="manual"
      {@attach (element) => element.showPopover()}
      class:above={hint.above}
      aria-hidden="true"
      style:left="{hint.left}px"
      style:top="{hint.top}px"
      style:max-width="{WIDTH_PX}px"
    >
      {hint.text}
    </div>
  {/if}
{/key}

<style>
  .hint {
    position: fixed;
    inset: auto;
    margin: 0;
    padding: 4px 8px;
    border: 1px solid var(--color-ink);
    background: var(--color-sheet);
    font-size: 12px;
    line-height: 1.35;
    pointer-events: none;
  }
  .above {
    transform: translateY(-100%);
  }
</style>
