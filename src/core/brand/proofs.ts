import type { Dressing } from '../color/dressings';

/** Every proof that is shown beside a mark, in the order in which they stand; what each shows in one color says which dressing. */
export const PROOFS = {
  small: { label: 'small sizes' },
  round: { label: 'round crop' },
  'one-color': { label: 'one color', dressing: 'one-color' },
  reversed: { label: 'reversed', dressing: 'reversed' },
  'on-lead': { label: 'on lead', dressing: 'on-lead' },
  photo: { label: 'on a photo' },
} as const satisfies Readonly<Record<string, { readonly label: string; readonly dressing?: Dressing }>>;
export type ProofName = keyof typeof PROOFS;
export const PROOF_NAMES = Object.keys(PROOFS) as readonly ProofName[];
