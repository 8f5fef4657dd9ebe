import {
  cutOut,
  matteOf,
  partingOf,
  scaledDown,
  studyOf,
  subjectOf,
  tracePicture,
  WORK_SIDE,
  type Parting,
  type Pixels,
  type Stroke,
  type TracedOutcome,
  type Tracing,
} from '$core/pictures';
import { pixelsAt } from './picture-pixels';

/** The subject of a picture as it is shown while it is brushed; the file itself is cut at its full size. */
export interface CutPreview {
  readonly columns: number;
  readonly rows: number;
  /** Not premultiplied. */
  readonly rgba: Uint8ClampedArray<ArrayBuffer>;
  /** How much of the picture is left, 0 to 1. */
  readonly share: number;
  /** Nothing stands out and nothing was brushed. */
  readonly nothing: boolean;
}

/** Works on one picture at a time, away from the page: what was worked out once is kept. */
export class PictureHand {
  #address = '';
  #pixels: Pixels | undefined;
  #shown: Pixels | undefined;
  #parting: Parting | undefined;

  async #open(address: string): Promise<Pixels> {
    if (this.#address === address && this.#pixels) return this.#pixels;
    this.#pixels = scaledDown(await pixelsAt(address), WORK_SIDE);
    this.#shown = studyOf(this.#pixels);
    this.#parting = undefined;
    this.#address = address;
    return this.#pixels;
  }

  /** A picture as outlines. */
  async trace(address: string, tracing: Tracing): Promise<TracedOutcome> {
    return tracePicture(await this.#open(address), tracing);
  }

  /** A picture without its ground, at the size in which it is shown. */
  async cut(address: string, strokes: readonly Stroke[]): Promise<CutPreview> {
    await this.#open(address);
    const shown = this.#shown as Pixels;
    this.#parting ??= partingOf(shown);
    const subject = subjectOf(this.#parting, strokes);
    const { columns, rows } = shown;
    const rgba = new Uint8ClampedArray(shown.rgba);
    if (!subject.nothing) cutOut({ columns, rows, rgba }, matteOf(shown, subject, strokes));
    let seen = 0;
    for (let at = 3; at < rgba.length; at += 4) seen += rgba[at] as number;
    return { columns, rows, rgba, share: seen / 255 / (columns * rows), nothing: subject.nothing };
  }
}
