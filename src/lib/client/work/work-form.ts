import type { Problem } from '$core/index';

/** What undo or redo leads to, and the gesture that leads there. */
export interface Step<T> {
  readonly gesture: string;
  readonly content: T;
  /** When the gesture was made, in milliseconds since 1970: the newest of several works is undone first. */
  readonly at: number;
}

/** How one kind of work is read and written. */
export interface WorkForm<T> {
  /** What the content is called in requests and answers. */
  readonly field: 'recipe' | 'content';
  /** Reads a stored or sent version; throws where it cannot be one. */
  read(input: unknown): T;
  /** JSON text; the same text is the same content. */
  write(content: T): string;
  /** JSON text of what tells a version from the one before it, where the server reads such. */
  writeChanges?(before: T, after: T): string;
}

export interface WorkStart<T> {
  /** What it is, as news name it. */
  readonly subject: string;
  /** Where gestures are sent and the newest version is asked for. */
  readonly address: string;
  readonly content: T;
  readonly number: number;
  /** When it was last saved, as far as is known. */
  readonly savedAt?: string | undefined;
  /** Where undo and redo lead, the next step last. */
  readonly past?: readonly Step<T>[];
  readonly future?: readonly Step<T>[];
  /** Keeps a version beside the work, where there is such a place; false when it could not be. */
  keepBeside?(content: T, name: string): Promise<boolean>;
}

export type SaveState<T = unknown> =
  | { readonly kind: 'saved'; readonly at: Date | undefined }
  | { readonly kind: 'saving' }
  | { readonly kind: 'waiting'; readonly problems: readonly Problem[] }
  /** Somebody else saved meanwhile; both versions are at hand. `by` says who and from where as a sentence goes on, as far as is known. */
  | { readonly kind: 'conflict'; readonly theirs: T; readonly theirNumber: number; readonly by: string };
