import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { profileName } from '../../src/lib/server/photos/taken-photo';
import { random } from '../support/random';

const iccOf = async (name: string) => {
  const made = await sharp({ create: { width: 8, height: 8, channels: 3, background: '#808080' } })
    .withIccProfile(name)
    .png()
    .toBuffer();
  return (await sharp(made).metadata()).icc as Buffer;
};

describe('the name of a color profile', () => {
  it('is read from profiles as the codec writes them', async () => {
    expect(profileName(await iccOf('srgb'))).toMatch(/sRGB/i);
    expect(profileName(await iccOf('p3'))).toMatch(/P3/);
    expect(profileName(undefined)).toBeUndefined();
  });
  it('is something or nothing, never an error, whatever is in them: 3,000 damaged and cut ones', async () => {
    const icc = await iccOf('p3');
    const next = random(4);
    for (let n = 0; n < 3000; n++) {
      const damaged = Buffer.from(icc);
      for (let k = 0; k < 6; k++) damaged[128 + Math.floor(next() * 200)] = Math.floor(next() * 256);
      const cut = n % 3 === 0 ? damaged.subarray(0, Math.floor(next() * damaged.length)) : damaged;
      expect(['string', 'undefined']).toContain(typeof profileName(cut));
    }
  });
});
