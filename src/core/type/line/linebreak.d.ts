declare module 'linebreak' {
  /** @source Unicode UAX 14 */
  export default class LineBreaker {
    constructor(text: string);
    nextBreak(): { readonly position: number; readonly required: boolean } | null;
  }
}
