import type { Problem } from '../../result/result';

/** A part that this version does not understand. It is kept whole, shown as not understood, and written back untouched. */
export interface UnknownPart {
  readonly kind: 'unknown';
  readonly id: string;
  readonly original: Readonly<Record<string, unknown>>;
}

export const notUnderstood = ({ original }: UnknownPart): Problem =>
  original['kind'] === 'unread'
    ? {
        code: 'not-understood',
        message: 'A part was saved under other rules than today’s and cannot be drawn. It is kept as it is.',
        fix: 'Go back to an earlier state, or remove it and make it anew.',
      }
    : {
        code: 'not-understood',
        message: `A part of kind “${String(original['kind'])}” was made by a newer version. It is kept as it is and not drawn.`,
        fix: 'Open this brand in the newer version to change it.',
      };
