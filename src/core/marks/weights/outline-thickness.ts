import type { FillRule, Path, PathAlgebra, Thickness } from '../../geometry';
import { thicknessOfArea } from './stroke-weight';

const known = new WeakMap<Path, { readonly thickness: Thickness | undefined }>();

/** Thickness over one outline, in its own pixels; measured once for each outline. */
export function outlineThickness(path: Path, rule: FillRule, paths: PathAlgebra): Thickness | undefined {
  const kept = known.get(path);
  if (kept) return kept.thickness;
  const thickness = thicknessOfArea(paths.weld([{ path, rule }]));
  known.set(path, { thickness });
  return thickness;
}
