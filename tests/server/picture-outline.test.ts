import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { createPart, expect as valueOf, inkOf, type Picture } from '$core/index';
import { picture } from '../../src/core/marks/parts/picture';
import { takenPicture } from '../../src/lib/server/taken-picture';

const disk = (size: number, radius: number) =>
  sharp(
    Buffer.from(
      `<svg xmlns="http://www.w3.org/2000/svg" width="${size}" height="${size}"><circle cx="${size / 2}" cy="${size / 2}" r="${radius}" fill="#b5482d"/></svg>`,
    ),
  )
    .png()
    .toBuffer();

describe('a picture with a clear ground', () => {
  it('inks what is not clear: a disk as a disk (closed form)', async () => {
    const { outline, widthPx, heightPx } = await takenPicture(await disk(400, 100), 'disk.png', 'mark');
    const part = valueOf(
      createPart({
        kind: 'picture',
        id: 'p',
        sha256: 'a'.repeat(64),
        fileWidthPx: widthPx,
        fileHeightPx: heightPx,
        sizePx: 400,
        source: { title: 'Disk' },
        ...(outline ? { outline } : {}),
      }),
    ) as Picture;
    const { nodes } = picture.draw(part, undefined as never);
    const ink = inkOf(nodes, { a: 1, b: 0, c: 0, d: 1, e: 0, f: 0 });
    for (const [side, wanted] of [
      [ink?.left, -100],
      [ink?.right, 100],
      [ink?.top, -100],
      [ink?.bottom, 100],
    ] as const)
      expect(Math.abs((side ?? 0) - wanted)).toBeLessThan(3);
    expect(outline?.length ?? 0).toBeLessThan(4000);
  });

  it('has none where it is opaque, or wholly clear', async () => {
    const opaque = await sharp({ create: { width: 50, height: 40, channels: 3, background: '#204060' } })
      .png()
      .toBuffer();
    const clear = await sharp({ create: { width: 50, height: 40, channels: 4, background: { r: 0, g: 0, b: 0, alpha: 0 } } })
      .png()
      .toBuffer();
    expect((await takenPicture(opaque, 'opaque.png', 'mark')).outline).toBeUndefined();
    expect((await takenPicture(clear, 'clear.png', 'mark')).outline).toBeUndefined();
  });
});
