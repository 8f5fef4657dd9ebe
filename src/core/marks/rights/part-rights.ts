import { termsOf } from '../../rights';
import type { PartRights } from '../part-kind';

/** What is drawn from numbers belongs to whoever draws it. */
export const OURS: PartRights = {
  what: 'Shapes and ornaments',
  kind: 'drawn',
  source: 'Lucky Thistle',
  author: '',
  license: termsOf('ours').label,
  terms: termsOf('ours'),
};

/** The rights of a piece that came in from somewhere: art, or a picture. */
export const rightsOfPiece = (
  kind: 'art' | 'picture',
  {
    title,
    set,
    author,
    license,
  }: { readonly title: string; readonly set?: string | undefined; readonly author: string; readonly license: string },
): PartRights => ({
  what: title,
  kind,
  source: set ?? 'brought in',
  author,
  license: termsOf(license).label,
  terms: termsOf(license),
});
