import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { describe, expect, it } from 'vitest';
import { LICENSE_NAMES, licenseNameOf, LICENSES, termsOf } from '$core/index';

const require = createRequire(import.meta.url);
const read = <T>(path: string) => JSON.parse(readFileSync(path, 'utf8')) as T;

describe('licenses', () => {
  it('of everything that ships are known, and say something about selling and registering', () => {
    for (const family of read<readonly { license: string; class: string; name: string }[]>('fonts/shipped.json'))
      expect(['OFL-1.1', 'Apache-2.0'], family.name).toContain(licenseNameOf(family));
    for (const { package: name } of read<readonly { package: string }[]>('art/sets.json')) {
      const { license } = read<{ license: { spdx: string } }>(require.resolve(`${name}/info.json`));
      expect(LICENSE_NAMES, name).toContain(license.spdx);
    }
    for (const name of LICENSE_NAMES) expect(LICENSES[name].says, name).toMatch(/^[A-Z].{20,}\.$/);
  });

  it('that ask for credit may be sold with only so; what is open to everybody is nobody’s to register', () => {
    for (const name of ['CC-BY-3.0', 'CC-BY-4.0']) expect(termsOf(name)).toMatchObject({ sell: 'with credit', register: 'no' });
    for (const name of ['MIT', 'ISC', 'CC0-1.0']) expect(termsOf(name)).toMatchObject({ sell: 'yes', register: 'no' });
    for (const name of ['ours', 'client', 'OFL-1.1']) expect(termsOf(name)).toMatchObject({ sell: 'yes', register: 'yes' });
  });

  it('that are not in the table, or not named, count as not known', () => {
    for (const name of ['', 'GPL-3.0', '__proto__x', 'free for personal use']) expect(termsOf(name)).toBe(LICENSES.unknown);
    expect(licenseNameOf({ license: 'rights not known', class: 'client’s own' })).toBe('unknown');
    expect(licenseNameOf({ license: 'Licensed to the client', class: 'client’s own' })).toBe('client');
    expect(licenseNameOf({ license: 'Some other license', class: 'serif' })).toBe('unknown');
  });
});
