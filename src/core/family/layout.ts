import type { MarkRole } from '../brand/mark-roles';
import type { KnownPart } from '../marks/registry';
import type { Bench } from './bench';
import type { Item } from './item';

/** One way to lay a family's mark out from its primary. */
export interface LayoutRow {
  readonly label: string;
  /** What it is usually for. */
  readonly role: MarkRole;
  /** The arranged pieces, or the parts that a builder made; nothing where the primary lacks what it needs. */
  readonly lay: (bench: Bench) => Item | readonly KnownPart[] | undefined;
}
