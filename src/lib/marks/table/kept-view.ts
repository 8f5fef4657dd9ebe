import { swatchesOf, type Palette } from '$core/index';
import { PHOTOS } from '$lib/ui/photos';
import type { Ground } from '../stage/grounds';
import type { StageView } from '../stage/stage-view.svelte';

/** How a mark was looked at when its page was left: where, on what, and with what chosen. */
interface KeptView {
  readonly scale: number;
  readonly x: number;
  readonly y: number;
  readonly fitted: boolean;
  readonly chosen: readonly string[];
  readonly ground: { readonly kind: Ground['kind']; readonly name?: string };
}

const keyOf = (mark: string) => `lucky-thistle/view/${mark}`;

/** Keeps the view of a mark for this tab; a tab without storage forgets it. */
export function keepView(mark: string, view: StageView, chosen: readonly string[], ground: Ground): void {
  const name = ground.kind === 'color' ? (ground.role ?? ground.color) : ground.kind === 'photo' ? ground.photo.name : undefined;
  const kept: KeptView = {
    scale: view.scale,
    x: view.origin.x,
    y: view.origin.y,
    fitted: view.fitted,
    chosen,
    ground: { kind: ground.kind, ...(name === undefined ? {} : { name }) },
  };
  try {
    sessionStorage.setItem(keyOf(mark), JSON.stringify(kept));
  } catch {
    // Nothing that was made is lost with it.
  }
}

/** The view as it was left; nothing where none was kept, or none that can be read. */
export function keptView(
  mark: string,
  palette: Palette,
): { readonly place: Omit<KeptView, 'ground' | 'chosen'>; readonly chosen: readonly string[]; readonly ground: Ground } | undefined {
  try {
    const { ground, chosen, ...place } = JSON.parse(sessionStorage.getItem(keyOf(mark)) ?? '') as KeptView;
    if (![place.scale, place.x, place.y].every(Number.isFinite) || !Array.isArray(chosen)) return undefined;
    const swatch = swatchesOf(palette).find(({ key }) => key === ground.name);
    const photo = PHOTOS.find(({ name }) => name === ground.name);
    const on: Ground =
      ground.kind === 'photo' && photo
        ? { kind: 'photo', photo }
        : ground.kind === 'color' && swatch
          ? { kind: 'color', color: swatch.hex, role: swatch.key }
          : ground.kind === 'color' && /^#[0-9a-f]{6}$/i.test(ground.name ?? '')
            ? { kind: 'color', color: ground.name ?? '' }
            : { kind: 'clear' };
    return { place, chosen: chosen.filter((id) => typeof id === 'string'), ground: on };
  } catch {
    return undefined;
  }
}
