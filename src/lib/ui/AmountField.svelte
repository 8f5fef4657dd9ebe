<script lang="ts">
  import { fromUnit, inUnit, parseAmount, SHOWN_UNITS, type ShownUnit } from '$core/index';
  import { lengths as shownLengths } from './shown-unit.svelte';

  interface Props {
    label: string;
    /** One sentence on what the number does, shown on hover and focus and read with the field. */
    hint: string;
    value: number;
    unit?: string;
    min: number;
    max: number;
    step?: number;
    /** Whether units of length may be typed. */
    lengths?: boolean;
    digits?: number;
    /** Whether several things are chosen that differ in it: a new number reaches them all. */
    mixed?: boolean;
    /** While the number changes, by step or drag. */
    preview: (value: number) => void;
    /** When the gesture ends. */
    commit: () => void;
  }
  const {
    label,
    hint,
    value,
    unit = '',
    min,
    max,
    step = 1,
    lengths = false,
    digits = 2,
    mixed = false,
    preview,
    commit,
  }: Props = $props();

  const id = $props.id();
  /** Lengths are shown in the unit that was chosen for all of them; what is taken and given is pixels. */
  const as: ShownUnit | undefined = $derived(lengths && unit === 'px' ? shownLengths.unit : undefined);
  const inShown = (px: number) => (as ? inUnit(px, as) : px);
  const shown = $derived(mixed ? '' : String(Number(inShown(value).toFixed(as && as !== 'px' ? SHOWN_UNITS[as].fine : digits))));
  const stepped = $derived(as && as !== 'px' ? fromUnit(SHOWN_UNITS[as].step, as) : step);
  let typed: string | undefined = $state();
  let fault = $state('');

  const many = (n: number) => n.toLocaleString('en');

  function take(next: number): boolean {
    if (next < min || next > max) {
      const suffix = as ?? unit;
      fault = `${label} goes from ${many(inShown(min))} to ${many(inShown(max))}${suffix && ` ${suffix}`}.`;
      return false;
    }
    fault = '';
    preview(next);
    return true;
  }
  function read(): void {
    if (typed === undefined || typed === shown) return;
    const amount = parseAmount(typed, { lengths, ...(as ? { bare: as } : {}) });
    if (!amount.ok) fault = amount.problems.map((problem) => problem.message).join(' ');
    else if (take(amount.value)) commit();
  }
  function finish(): void {
    read();
    typed = undefined;
  }
  function keys(event: KeyboardEvent): void {
    const direction = { ArrowUp: 1, ArrowDown: -1 }[event.key];
    if (direction) {
      event.preventDefault();
      typed = undefined;
      take(Math.min(max, Math.max(min, value + direction * stepped * (event.shiftKey ? 10 : 1))));
    } else if (event.key === 'Enter') {
      read();
      // A number that was taken hands the keys back to the table.
      if (fault === '') (event.currentTarget as HTMLElement).blur();
    } else if (event.key === 'Escape') {
      typed = undefined;
      fault = '';
      event.stopPropagation();
      (event.currentTarget as HTMLElement).blur();
    }
  }
  /** Dragging the label left and right steps the number. */
  function drag(event: PointerEvent): void {
    const handle = event.currentTarget as HTMLElement;
    const from = event.clientX;
    const start = value;
    handle.setPointerCapture(event.pointerId);
    const move = (at: PointerEvent) =>
      take(Math.min(max, Math.max(min, start + Math.round((at.clientX - from) / 2) * stepped * (at.shiftKey ? 10 : 1))));
    const end = () => {
      handle.removeEventListener('pointermove', move);
      commit();
    };
    handle.addEventListener('pointermove', move);
    handle.addEventListener('pointerup', end, { once: true });
  }
</script>

<div class="amount">
  <!-- The label is a handle for the pointer only; keys step in the field itself. -->
  <label for={id} title={hint} onpointerdown={drag}>{label}</label>
  <input
    {id}
    inputmode="decimal"
    autocomplete="off"
    spellcheck="false"
    value={typed ?? shown}
    placeholder={mixed ? 'mixed' : undefined}
    title={hint}
    aria-invalid={fault !== ''}
    aria-describedby={fault ? `${id}-fault` : undefined}
    oninput={(event) => (typed = event.currentTarget.value)}
    onfocus={(event) => event.currentTarget.select()}
    onkeydown={keys}
    onkeyup={(event) => {
      if (event.key === 'ArrowUp' || event.key === 'ArrowDown') commit();
    }}
    onblur={finish}
  />
  <span class="quiet">{as ?? unit}</span>
  {#if fault}<p id="{id}-fault" role="alert">{fault}</p>{/if}
</div>

<style>
  .amount {
    display: grid;
    grid-template-columns: 1fr minmax(0, 64px) 22px;
    align-items: baseline;
    border-bottom: 1px solid var(--color-rule);
  }
  label {
    color: var(--color-quiet);
    cursor: ew-resize;
    touch-action: none;
    user-select: none;
  }
  input {
    width: 100%;
    padding: 4px 4px 4px 0;
    border: 0;
    background: none;
    font-weight: 600;
    font-size: 13px;
    text-align: right;
  }
  input:focus {
    box-shadow: none;
    outline: 2px solid var(--color-plum);
  }
  p {
    grid-column: 1 / -1;
    color: var(--color-rust);
    font-size: 12px;
  }
</style>
