import type { Treatments, TreatmentsEdit } from '$core/index';

/** Where a list of treatments stands: on a part and all that are chosen with it, on a letter, or on the whole mark. */
export interface TreatmentDesk {
  readonly list: Treatments;
  /** Shows an edit while its gesture goes on. */
  readonly preview: (edit: TreatmentsEdit) => void;
  readonly commit: (gesture: string) => void;
  /** How high what is treated stands, in its own pixels: what treatments begin with is made for that. */
  readonly heightPx: number;
}
