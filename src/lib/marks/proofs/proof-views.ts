import type { Component } from 'svelte';
import type { ProofName } from '$core/index';
import DressedProof from './DressedProof.svelte';
import OneColorProof from './OneColorProof.svelte';
import PhotoProof from './PhotoProof.svelte';
import RoundProof from './RoundProof.svelte';
import SmallProof from './SmallProof.svelte';

/** How each proof is shown, with the checks that are made on it: a proof without its row does not compile. */
export const PROOF_VIEWS: { readonly [N in ProofName]: Component<{ name: ProofName }> } = {
  small: SmallProof,
  round: RoundProof,
  'one-color': OneColorProof,
  reversed: DressedProof,
  'on-lead': DressedProof,
  photo: PhotoProof,
};
