<script lang="ts">
  import type { Finding } from '$core/index';

  /** A check's number, with a tick beside it when it needs a look or fails. */
  const { finding }: { finding: Finding } = $props();
  const WORDS = { passes: 'passes', look: 'needs a look', fails: 'fails' } as const;
</script>

<span class={finding.verdict} title={finding.says} data-verdict={finding.verdict}
  >{#if finding.verdict !== 'passes'}<svg viewBox="0 0 8 12" aria-hidden="true"><path d="M4 0v12M0 8l4 4l4 -4" /></svg
    >{/if}{finding.figure}<span class="off-screen"> {WORDS[finding.verdict]}</span></span
>

<style>
  span {
    white-space: nowrap;
  }
  svg {
    display: inline-block;
    width: 7px;
    height: 10px;
    margin-right: 4px;
  }
  path {
    fill: none;
    stroke: currentcolor;
    stroke-width: 2;
  }
  .look {
    color: var(--color-amber);
    font-weight: 600;
  }
  .fails {
    color: var(--color-rust);
    font-weight: 600;
  }
</style>
