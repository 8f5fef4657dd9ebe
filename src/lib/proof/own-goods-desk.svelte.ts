import {
  eachOf,
  meshPlace,
  MESH_SIDE,
  ownGoodsId,
  ownScene,
  startOwnGoods,
  type Corner,
  type GoodsDesk,
  type OwnGoods,
  type SceneFacts,
} from '$core/index';
import { tonesOf, type PhotoView } from '$lib/client/photo-view';
import type { OpenDocument } from '$lib/client/work/open-document.svelte';

/** Something of own goods that is pulled: a corner, a handle of the mesh, or the whole place. */
export type Pulled = { readonly corner: number } | { readonly handle: number } | 'place';

const moved = ({ x, y }: Corner, by: Corner): Corner => ({ x: x + by.x, y: y + by.y });

/** Photos of goods that the designer took, and where marks lie on them. */
export class OwnGoodsDesk {
  photos: readonly PhotoView[] = $state.raw([]);
  constructor(
    readonly goods: OpenDocument<GoodsDesk>,
    photos: readonly PhotoView[],
  ) {
    this.photos = photos;
  }

  photoOf = ({ photo }: OwnGoods): PhotoView | undefined => this.photos.find(({ id }) => id === photo);
  /** As scenes among the others; one whose photo was taken away is not shown. */
  readonly scenes: readonly SceneFacts[] = $derived.by(() =>
    Object.entries(this.goods.content.own).flatMap(([id, goods]) => {
      const photo = this.photoOf(goods);
      return photo ? [ownScene(id, goods, { ...photo, tones: tonesOf(photo) })] : [];
    }),
  );
  of({ name }: SceneFacts): OwnGoods | undefined {
    const id = ownGoodsId(name);
    return id === undefined ? undefined : this.goods.content.own[id];
  }

  /** Begins goods on a photo. @returns the name of their scene */
  begin(photo: PhotoView): string {
    if (!this.photos.some(({ id }) => id === photo.id)) this.photos = [...this.photos, photo];
    const id = crypto.randomUUID();
    const label = photo.name.replace(/\.[a-z0-9]{2,5}$/i, '').slice(0, 60) || 'Own photo';
    this.goods.commit('Add a photo of goods', {
      ...this.goods.content,
      own: { ...this.goods.content.own, [id]: startOwnGoods(photo.id, label, photo.widthPx, photo.heightPx) },
    });
    return `own-${id}`;
  }
  #with(scene: SceneFacts, change: Partial<OwnGoods>): GoodsDesk {
    const id = ownGoodsId(scene.name) ?? '';
    const before = this.goods.content.own[id];
    return before ? { ...this.goods.content, own: { ...this.goods.content.own, [id]: { ...before, ...change } } } : this.goods.content;
  }
  change(scene: SceneFacts, gesture: string, change: Partial<OwnGoods>): void {
    this.goods.commit(gesture, this.#with(scene, change));
  }
  preview(scene: SceneFacts, change: Partial<OwnGoods>): void {
    this.goods.preview(this.#with(scene, change));
  }
  /** Takes the color of its cloth away, and what was said of its height. */
  forget(scene: SceneFacts, gesture: string, what: 'cloth' | 'ratio' | 'ink'): void {
    const id = ownGoodsId(scene.name) ?? '';
    const { [what]: _, ...rest } = this.goods.content.own[id] ?? ({} as OwnGoods);
    this.goods.commit(gesture, { ...this.goods.content, own: { ...this.goods.content.own, [id]: rest as OwnGoods } });
  }
  remove(scene: SceneFacts): void {
    const { [ownGoodsId(scene.name) ?? '']: _, ...own } = this.goods.content.own;
    this.goods.commit('Take the photo off the goods', { ...this.goods.content, own });
  }

  /** Where own goods lie after something was pulled by shares of the photo. */
  pulled(before: OwnGoods, what: Pulled, by: Corner): Partial<OwnGoods> {
    if (what === 'place') return { corners: eachOf(before.corners, (corner) => moved(corner, by)) };
    if ('corner' in what)
      return {
        corners: eachOf(before.corners, (corner, at) => (at === what.corner ? moved(corner, by) : corner)),
      };
    const mesh = before.mesh.length > 0 ? before.mesh : Array.from({ length: MESH_SIDE * MESH_SIDE }, () => ({ x: 0, y: 0 }));
    return { mesh: mesh.map((handle, at) => (at === what.handle ? moved(handle, by) : handle)) };
  }
  /** Whether its corners go around it in order. */
  holds = (goods: OwnGoods): boolean => meshPlace(goods, 1, 1).ok;
}
