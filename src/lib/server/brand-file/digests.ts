import { expect, marksOf, paletteForm, recovered, type WantedFile } from '$core/index';
import { fileBasis, type Standing } from '../handover/subjects';
import type { HandoverBasis } from '../database/entities';
import type { BrandFile } from './form';
import { storedRecipe } from '../stores/stored-recipe';

/** A brand as it stood at a basis, read from its file; for what pictures depend on, nothing else is needed. */
const standingIn = (file: BrandFile, basis: HandoverBasis): Standing => ({
  basis,
  palette: expect(recovered(paletteForm, file.palettes[basis.palette - 1]?.colors)).value,
  recipes: new Map(
    file.marks.flatMap(({ id, revisions }) => {
      const revision = revisions[(basis.marks[id] ?? 0) - 1];
      return revision ? [[id, storedRecipe(revision.recipe)] as const] : [];
    }),
  ),
  names: new Map(),
  ownFamilies: [],
});

/**
 * A brand file whose ids became others, so that its packs still know what they show: ids are among what a picture's digest is made of. Where a digest
 * was another already, its file stays out of date.
 * @param fresh with the new ids @param read as it was read
 */
export const withFreshDigests = (fresh: BrandFile, read: BrandFile): BrandFile => ({
  ...fresh,
  packs: fresh.packs.map((pack, at) => {
    const before = read.packs[at];
    if (!before) return pack;
    const [then, now] = [standingIn(read, before.basis), standingIn(fresh, pack.basis)];
    const known = new Map<string, readonly [then: string, now: string]>();
    const files = pack.files.map((file, place) => {
      const shown = (wanted: unknown) => marksOf(wanted as WantedFile);
      const key = shown(file.wanted).join();
      const digests =
        known.get(key) ??
        ([fileBasis(then, shown(before.files[place]?.wanted ?? file.wanted)).digest, fileBasis(now, shown(file.wanted)).digest] as const);
      known.set(key, digests);
      const [was, is] = digests;
      return file.basis.digest === was ? { ...file, basis: { ...file.basis, digest: is } } : file;
    });
    return { ...pack, files };
  }),
});
