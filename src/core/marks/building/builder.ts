import type { z } from 'zod';
import type { PathAlgebra } from '../../geometry';
import type { Problem } from '../../result/result';
import type { FontShelf } from '../../type';
import type { KnownPart } from '../registry';
import type { Heard } from './built';

/** What a builder may look at. */
export interface BuildContext {
  readonly fonts: FontShelf;
  readonly paths: PathAlgebra;
  readonly heard: Heard;
  /** Remembers results that are costly to make, by a key that says everything they depend on. */
  readonly remember: <T>(key: string, make: () => T) => T;
}

/** What a builder makes: ordinary parts whose ids are the names of their slots. */
export interface Made {
  /** Back to front, members right behind whoever draws them. */
  readonly parts: readonly KnownPart[];
  /** What the designer should know. */
  readonly notices: readonly Problem[];
}

interface Option {
  readonly value: string;
  readonly label: string;
}
interface Control {
  readonly field: string;
  readonly label: string;
  readonly hint: string;
  readonly when?: (numbers: Readonly<Record<string, unknown>>) => boolean;
}
/** One control of a builder: where its value stands, what it is called, and a sentence on what it does. */
export type BuilderControl =
  | (Control & { readonly type: 'number'; readonly unit?: 'px' | '°' | '%'; readonly step?: number })
  | (Control & {
      readonly type: 'choice';
      readonly options: readonly Option[];
      /** Further ones that its own numbers bring along. */
      readonly more?: (numbers: Readonly<Record<string, unknown>>) => readonly Option[];
    })
  | (Control & { readonly type: 'tick' })
  | (Control & { readonly type: 'paint' })
  | (Control & { readonly type: 'words'; readonly placeholder: string })
  /** A face of the library, or the one that is followed. */
  | (Control & { readonly type: 'face' })
  /** A drawing of one color, or a picture of pixels, of the designer’s own. */
  | (Control & { readonly type: 'picture' })
  /** A line in a language of its own, read back word by word. */
  | (Control & { readonly type: 'blazon' });

/** A sound composition to start from. */
export interface BuilderStart {
  readonly id: string;
  readonly label: string;
  readonly numbers: Readonly<Record<string, unknown>>;
}

/** Everything one kind of builder is: its numbers, its words, and how it composes ordinary parts. */
export interface Builder<S extends z.ZodType> {
  readonly schema: S;
  readonly label: string;
  /** Other words under which it is found. */
  readonly words: readonly string[];
  /** One sentence on what it makes. */
  readonly hint: string;
  readonly describe: (numbers: z.infer<S>) => string;
  readonly controls: readonly BuilderControl[];
  /** Compositions to choose from, computed from what is heard; the first is the one that is added by its name. */
  readonly starts: (context: BuildContext) => readonly BuilderStart[];
  /** Families besides the one that is heard. */
  readonly families?: (numbers: z.infer<S>) => readonly string[];
  readonly build: (numbers: z.infer<S>, context: BuildContext) => Made;
}
