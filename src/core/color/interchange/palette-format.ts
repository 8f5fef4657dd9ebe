import type { Palette } from '../palette';
import type { ReadColors } from './read-color';

/** A form in which colors come from elsewhere, and go there. */
export interface PaletteFormat {
  readonly label: string;
  readonly extension: string;
  readonly type: string;
  readonly write: (palette: Palette, brand: string) => string;
  /** Whether a text looks like this form. */
  readonly reads: (text: string) => boolean;
  readonly read: (text: string) => ReadColors;
}

/** A name as a key of a file: letters, digits and dashes, never empty, each once. */
export function keysFor(names: readonly string[]): readonly string[] {
  const taken = new Set<string>();
  return names.map((name) => {
    const plain =
      name
        .normalize('NFKD')
        .toLowerCase()
        .replace(/[^a-z0-9]+/g, '-')
        .replace(/^-+|-+$/g, '') || 'color';
    let key = plain;
    for (let n = 2; taken.has(key); n++) key = `${plain}-${n}`;
    taken.add(key);
    return key;
  });
}
