import type { Bounds } from '../geometry';
import type { SheetFacts } from './facts';
import type { SheetKit } from './kit';

/** Where a page's own content goes, and in which unit: a hundredth of the page's shorter side. */
export interface PageRoom {
  readonly body: Bounds;
  readonly page: Bounds;
  readonly unit: number;
}
/** One page of the brand sheet. */
export interface SheetPage {
  readonly title: string;
  /** What stands under the title until the designer writes something else; nothing where it says nothing. */
  readonly text: (facts: SheetFacts) => string;
  /** Whether there is anything to show. */
  readonly there: (facts: SheetFacts) => boolean;
  readonly draw: (kit: SheetKit, room: PageRoom) => void;
}
