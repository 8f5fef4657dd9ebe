import type { ThemeConfig } from 'flowbite-svelte';

/** How Flowbite's parts look here: the tokens of app.css, square corners, no shadows. One file for all of them. */
export const theme: ThemeConfig = {
  button: { base: 'rounded-sm! shadow-none! font-semibold text-[13px] px-4 py-2 focus-visible:ring-0 focus-within:ring-0' },
  input: { input: 'rounded-sm! border-rule! bg-sheet! text-ink! text-[13px]! px-2! py-1.5! focus:border-plum! focus:ring-plum!' },
  textarea: { base: 'rounded-sm! border-rule! bg-sheet! text-ink! text-[13px]! focus:border-plum! focus:ring-plum!' },
  select: { select: 'rounded-sm! border-rule! bg-sheet! text-ink! text-[13px]! py-1! ps-2! focus:border-plum! focus:ring-plum!' },
  label: { base: 'text-[13px]! font-normal! text-ink!' },
  modal: {
    base: 'rounded-sm! shadow-none! border border-ink bg-sheet! text-ink!',
    header: 'border-rule!',
    body: 'text-ink!',
    footer: 'border-rule!',
  },
};
