/** One number field of a part: what it is called, and where it stands. Its limits are those of the part's schema. */
export interface NumberRow {
  readonly label: string;
  /** Where the number stands in the part: `line.around.insetPx`. */
  readonly at: string;
  readonly unit?: 'px' | '%' | '‰' | '°';
  /** One sentence on what it does. */
  readonly hint: string;
  readonly step?: number;
  /** What a change of it is called in undo; its label, where nothing is said. */
  readonly gesture?: string;
  /** How many of what is shown are one of what is stored: 100 where a share is shown in percent. */
  readonly times?: number;
  /** What is shown for 0; the first of a list is called 1. */
  readonly from?: number;
}
