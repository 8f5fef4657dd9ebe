<script lang="ts">
  interface Props {
    label: string;
    hint: string;
    accept?: string;
    multiple?: boolean;
    /** All files of a folder, rather than files. */
    folder?: boolean;
    disabled?: boolean;
    take: (files: readonly File[]) => void;
  }
  const { label, hint, accept, multiple = false, folder = false, disabled = false, take }: Props = $props();

  function chosen({ currentTarget }: Event & { readonly currentTarget: HTMLInputElement }): void {
    const files = [...(currentTarget.files ?? [])];
    // The same file can be chosen again.
    currentTarget.value = '';
    if (files.length > 0) take(files);
  }
</script>

<!-- Words that open the choice of files: the field lies unseen over them, for pointers, keys and screen readers alike. -->
<label class="link" class:disabled
  >{label}<input
    title={hint}
    class="over-label"
    type="file"
    {accept}
    {multiple}
    {disabled}
    webkitdirectory={folder}
    onchange={chosen}
  /></label
>

<style>
  label {
    position: relative;
    display: inline-block;
    padding: 3px 0;
  }
  label:focus-within {
    outline: 2px solid var(--color-plum);
    outline-offset: 1px;
  }
  .disabled {
    opacity: 0.6;
  }
</style>
