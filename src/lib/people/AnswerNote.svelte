<script lang="ts">
  import type { FormAnswer } from './answer';

  const { answer }: { answer: FormAnswer } = $props();
</script>

{#if answer?.fault}<p class="fault" role="alert">{answer.fault}</p>{/if}
{#if answer?.done}<p class="done" role="status">{answer.done}</p>{/if}
{#if answer?.password}
  <p class="done" role="status">
    The password that lets {answer.name} in once, within three days: <code>{answer.password}</code>. It is said here and never again; they
    choose their own with it.
  </p>
{/if}

<style>
  p {
    margin-top: 12px;
    padding: 8px 12px;
    background: #fbf1dc;
  }
  .fault {
    color: var(--color-rust);
  }
  code {
    padding: 2px 6px;
    background: var(--color-sheet);
    font-size: 15px;
    user-select: all;
  }
</style>
