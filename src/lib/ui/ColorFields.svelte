<script lang="ts">
  import { contrastRatio, parseHex, ROLES, ROLE_USE, type Palette, type Role } from '$core/index';

  interface Props {
    palette: Palette;
    /** Called with every valid change. */
    change: (palette: Palette) => void;
    /** Whether every field holds a color. */
    valid?: boolean;
  }
  let { palette, change, valid = $bindable(true) }: Props = $props();

  const id = $props.id();
  let typed: Partial<Record<Role, string>> = $state({});
  let faults: Partial<Record<Role, string>> = $state({});

  function type(role: Role, text: string): void {
    typed[role] = text;
    const hex = parseHex(text);
    faults[role] = hex.ok ? undefined : hex.problems.map((problem) => `${problem.message} ${problem.fix ?? ''}`).join(' ');
    valid = ROLES.every((each) => !faults[each]);
    if (hex.ok) change({ ...palette, [role]: hex.value });
  }
</script>

<div class="fields">
  {#each ROLES as role (role)}
    <div class="row">
      <input type="color" aria-label="{role}, picked" value={palette[role]} oninput={(event) => type(role, event.currentTarget.value)} />
      <label for="{id}-{role}"><strong>{role}</strong> <span class="quiet">{ROLE_USE[role]}</span></label>
      <input
        class="code"
        id="{id}-{role}"
        value={typed[role] ?? palette[role]}
        spellcheck="false"
        autocomplete="off"
        aria-invalid={faults[role] !== undefined}
        aria-describedby={faults[role] ? `${id}-${role}-fault` : undefined}
        oninput={(event) => type(role, event.currentTarget.value)}
        onblur={() => (faults[role] ? undefined : (typed[role] = undefined))}
      />
      <span class="quiet contrast" title="contrast with paper"
        >{role === 'paper' ? '' : `${contrastRatio(palette[role], palette.paper).toFixed(1)} : 1`}</span
      >
      {#if faults[role]}<p id="{id}-{role}-fault" role="alert">{faults[role]}</p>{/if}
    </div>
  {/each}
</div>

<style>
  .row {
    display: grid;
    grid-template-columns: 30px 1fr 96px 56px;
    align-items: center;
    gap: 12px;
    padding: 5px 0;
    border-bottom: 1px solid var(--color-rule);
  }
  input[type='color'] {
    width: 30px;
    height: 26px;
    padding: 0;
    border: 1px solid var(--color-rule);
    background: none;
  }
  input[type='color']::-webkit-color-swatch-wrapper {
    padding: 0;
  }
  input[type='color']::-webkit-color-swatch {
    border: 0;
  }
  .code {
    padding: 4px 6px;
    border: 1px solid var(--color-rule);
    background: var(--color-sheet);
    font-size: 13px;
  }
  .code[aria-invalid='true'] {
    border-color: var(--color-rust);
  }
  .contrast {
    font-size: 12px;
    text-align: right;
  }
  p {
    grid-column: 2 / -1;
    color: var(--color-rust);
    font-size: 12px;
  }
</style>
