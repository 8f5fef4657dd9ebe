/** Who sits at this page, as the page knows it. */
export interface WhoWorks {
  /** Who is signed in, by their id; nobody where nobody signs in. */
  readonly person?: string | undefined;
  /** Whether they may only look: from their role in the studio. */
  readonly looksOnly: boolean;
}

let here: WhoWorks = { looksOnly: false };
export const whoWorks = (): WhoWorks => here;
export function workAs(who: WhoWorks): void {
  here = who;
}
