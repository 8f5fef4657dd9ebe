/** One thing a menu does. */
export interface MenuItem {
  readonly label: string;
  readonly act: () => void;
  readonly disabled?: boolean;
  /** Begins a new group of items. */
  readonly apart?: boolean;
}
