/** The little of fontkit that the checks use. */
declare module 'fontkit' {
  export interface Font {
    readonly unitsPerEm: number;
    readonly capHeight: number;
    readonly 'OS/2': { readonly version: number };
    getVariation(axes: Readonly<Record<string, number>>): Font;
    layout(text: string): { readonly positions: readonly { readonly xAdvance: number }[] };
  }
  export function create(data: Buffer): unknown;
}
