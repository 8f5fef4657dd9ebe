import type { Component } from 'svelte';
import type { KnownPart, PartKindName, Problem } from '$core/index';
import LetteringFields from '../lettering/LetteringFields.svelte';
import ArtFields from './ArtFields.svelte';
import BandFields from './BandFields.svelte';
import CombinationFields from './CombinationFields.svelte';
import ContactFields from './ContactFields.svelte';
import CurveFields from './CurveFields.svelte';
import GroupFields from './GroupFields.svelte';
import InlayFields from './InlayFields.svelte';
import LinkedFields from './LinkedFields.svelte';
import FrameFields from './FrameFields.svelte';
import LockupFields from './LockupFields.svelte';
import PictureFields from './PictureFields.svelte';
import ShapeFields from './ShapeFields.svelte';
import SymmetryFields from './SymmetryFields.svelte';

export interface FieldsProps<P extends KnownPart = KnownPart> {
  readonly part: P;
  /** What the designer should know about the part as it is drawn. */
  readonly notices: readonly Problem[];
}

/** What the recipe column asks of each kind of part: a kind without its row does not compile. */
const FIELDS: { readonly [K in PartKindName]: Component<FieldsProps<Extract<KnownPart, { readonly kind: K }>>> } = {
  lettering: LetteringFields,
  shape: ShapeFields,
  linked: LinkedFields,
  group: GroupFields,
  combination: CombinationFields,
  symmetry: SymmetryFields,
  inlay: InlayFields,
  band: BandFields,
  art: ArtFields,
  lockup: LockupFields,
  frame: FrameFields,
  contact: ContactFields,
  curve: CurveFields,
  picture: PictureFields,
};

/** A part always carries the kind of its own row, which the type system cannot follow through a lookup. */
export const fieldsOf = (part: KnownPart): Component<FieldsProps> => FIELDS[part.kind] as unknown as Component<FieldsProps>;
