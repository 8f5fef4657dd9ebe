/** A file format as the server offers it. */
export interface OfferedFormat {
  readonly name: string;
  readonly label: string;
  readonly about: string;
  /** Whether it is made of pixels, so that a size in pixels is asked for. */
  readonly pixels: boolean;
  /** Whether it can be transparent; one that cannot needs a ground. */
  readonly clear: boolean;
}
