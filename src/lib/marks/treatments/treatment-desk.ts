import type { Affine, Bounds, Treatments, TreatmentsEdit } from '$core/index';

/** Where a list of treatments stands: on a part and all that are chosen with it, on a letter, or on the whole mark. */
export interface TreatmentDesk {
  readonly list: Treatments;
  /** Shows an edit while its gesture goes on. */
  readonly preview: (edit: TreatmentsEdit) => void;
  readonly commit: (gesture: string) => void;
  /** How high what is treated stands, in its own pixels: what treatments begin with is made for that. */
  readonly heightPx: number;
  /** From its own pixels to those of the mark, where the stage shows it as one; letters are reached by their numbers alone. */
  readonly plane?: () => Affine | undefined;
  /** Its ink, in its own pixels. */
  readonly box?: () => Bounds | undefined;
}
