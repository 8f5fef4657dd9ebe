/** One thing that was looked at in a written file. */
export interface FileCheck {
  readonly id: string;
  readonly passes: boolean;
  /** What was seen, with its number. */
  readonly message: string;
}

export const check = (id: string, passes: boolean, message: string): FileCheck => ({ id, passes, message });

/** What is known of a file that was opened again. */
export interface FileVerdict {
  readonly passes: boolean;
  readonly checks: readonly FileCheck[];
}
