import type { GroundName } from '$core/pictures';

/** A picture that is asked for in words. */
export interface WordedPicture {
  readonly words: string;
  readonly ground: GroundName;
  /** Another one, another picture of the same thing. */
  readonly seed: number;
}

/** How far a service says it is. */
export interface Progress {
  readonly done: number;
  readonly of: number;
}

/** Whoever makes pictures from words: one interface, whatever stands behind it. */
export interface PictureService {
  /** What it is called on the screen. */
  readonly name: string;
  /** Whether it is the one that ships with the app. */
  readonly isStandIn: boolean;
  /** What it can draw, where it draws only some things. */
  readonly knows?: readonly string[];
  /** Whether it could make such a picture at all. @throws a refusal that says why not */
  readonly check: (order: WordedPicture) => void;
  /**
   * Makes one picture.
   * @param tell hears how far it is; throws when the picture is wanted no more
   * @returns the file, in any format that pictures are taken in
   * @throws a refusal; one that may pass has the status 503
   */
  readonly make: (order: WordedPicture, tell: (progress: Progress) => Promise<void>) => Promise<Uint8Array>;
}
