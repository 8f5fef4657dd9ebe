import type { KnownPart, Palette, Part, Recipe, ResolvedPart } from '$core/index';
import type { DrawingDesk } from '$lib/client/drawing-desk.svelte';
import type { OpenDocument } from '$lib/client/work/open-document.svelte';
import type { OpenMark } from '$lib/client/work/open-mark.svelte';

/** What those who work on the table's behalf have at hand. */
export interface AtHand {
  readonly open: OpenMark;
  readonly desk: DrawingDesk;
  readonly palette: Palette;
  readonly colors: OpenDocument<Palette>;
  readonly info: { readonly id: string };
  /** The marks of the family. */
  readonly atHand: readonly { readonly id: string; readonly slug: string; readonly revision: number; readonly recipe: Recipe }[];
  readonly parts: readonly Part[];
  /** Every part that is chosen, in the order of choosing. */
  readonly chosen: readonly KnownPart[];
  readonly resolved: (id: string) => ResolvedPart | undefined;
  readonly isChosen: (id: string) => boolean;
  readonly previewRecipe: (recipe: Recipe) => void;
  readonly commit: (gesture: string) => void;
  readonly selectedId: string | undefined;
  /** The treatment of the selected part whose numbers are open. */
  treatment: string | undefined;
  /** The treatment of the whole mark whose numbers are open. */
  wholeTreatment: string | undefined;
  /** Told to the designer once. */
  said: string;
}
