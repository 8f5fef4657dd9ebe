import type { FormInput, Kit } from '../../building/kit';
import type { Shape } from '../../parts/shape';
import { bannerWords } from '../../starters/banner-words';
import type { Crest } from './numbers';

/** The words on the banner; none where there is no banner. */
export const mottoOf = (kit: Kit, n: Crest): string => (n.withBanner ? (n.motto || kit.context.heard.second || '').trim() : '');

/** A banner below or above, and the motto fitted to it. */
export function motto(kit: Kit, n: Crest, y: number): void {
  const text = mottoOf(kit, n);
  if (text === '') return;
  const font = kit.face(n.family);
  const h = n.sizePx;
  const heightPx = h * 0.15;
  const natural = kit.lineWidth(text, font, 120, 'upper') * heightPx * 0.52;
  const widthPx = Math.min(h * 2.1, Math.max(h * 0.95, natural / (n.banner === 'scroll' ? 0.8 : 0.66)));
  const hanging = n.banner.startsWith('hanging');
  const bend = hanging ? { bendDeg: -42 } : n.banner.startsWith('arched') ? { bendDeg: 42 } : {};
  const banner = kit.shape('banner', 'Motto banner', { form: n.banner, widthPx, heightPx, ...bend } as FormInput, n.inkPaint, { x: 0, y });
  if (n.separationPercent > 0)
    kit.parts[kit.parts.length - 1] = {
      ...banner,
      treatments: [
        { kind: 'halo', id: 'separation', hidden: false, widthPx: Math.max(0.1, (h * n.separationPercent) / 100), join: 'round' },
      ],
    };
  const words = bannerWords('motto', text, banner as Shape, font.family);
  kit.add({ ...words, name: 'Motto', font, paint: n.groundPaint } as Parameters<Kit['add']>[0]);
}
