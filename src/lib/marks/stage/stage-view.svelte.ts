import type { Bounds, Point } from '$core/index';

/** How the stage looks at the mark's plane: screen = origin + mark × scale, in CSS pixels. */
export class StageView {
  widthPx = $state(0);
  heightPx = $state(0);
  scale = $state(1);
  origin: Point = $state.raw({ x: 0, y: 0 });
  /** Whether the whole mark is shown as `fit` left it; who zooms or pans wants to see something else. */
  fitted = $state(false);
  /** Whether somebody looked somewhere before the mark was drawn: it is not fitted then. */
  looked = false;
  /** While something is dragged, the view holds still. */
  holding = $state(false);

  toScreen = (point: Point): Point => ({ x: this.origin.x + point.x * this.scale, y: this.origin.y + point.y * this.scale });
  toMark = (point: Point): Point => ({ x: (point.x - this.origin.x) / this.scale, y: (point.y - this.origin.y) / this.scale });

  boxToScreen = (box: Bounds): Bounds => {
    const start = this.toScreen({ x: box.left, y: box.top });
    const end = this.toScreen({ x: box.right, y: box.bottom });
    return { left: start.x, top: start.y, right: end.x, bottom: end.y };
  };

  /** Shows a box whole, with air around it, at most four times enlarged. */
  fit(box: Bounds | undefined): void {
    if (!box || this.widthPx === 0) return;
    const width = Math.max(box.right - box.left, 1);
    const height = Math.max(box.bottom - box.top, 1);
    this.fitted = true;
    this.scale = Math.min((this.widthPx * 0.78) / width, (this.heightPx * 0.7) / height, 4);
    this.origin = {
      x: this.widthPx / 2 - ((box.left + box.right) / 2) * this.scale,
      y: this.heightPx / 2 - ((box.top + box.bottom) / 2) * this.scale,
    };
  }

  /** Zooms about a place on the screen that stays where it is. */
  zoom(factor: number, about: Point = { x: this.widthPx / 2, y: this.heightPx / 2 }): void {
    this.fitted = false;
    const scale = Math.min(64, Math.max(0.02, this.scale * factor));
    const fixed = this.toMark(about);
    this.scale = scale;
    this.origin = { x: about.x - fixed.x * scale, y: about.y - fixed.y * scale };
  }

  /** Looks where somebody looked before. */
  lookAt({ scale, x, y }: { readonly scale: number; readonly x: number; readonly y: number }): void {
    [this.fitted, this.scale, this.origin] = [false, Math.min(64, Math.max(0.02, scale)), { x, y }];
    this.looked = true;
  }

  pan(x: number, y: number): void {
    this.fitted = false;
    this.origin = { x: this.origin.x + x, y: this.origin.y + y };
  }
}
