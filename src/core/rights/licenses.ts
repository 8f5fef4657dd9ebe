/** What a license lets the client do, in plain words. Not legal advice; the license's own text decides. */
export interface LicenseTerms {
  readonly label: string;
  /** Whether things that carry it may be sold. */
  readonly sell: 'yes' | 'with credit' | 'ask';
  /** Whether a mark that contains it can be registered. */
  readonly register: 'yes' | 'no' | 'ask';
  readonly says: string;
}

/** Licenses by their SPDX names, and three of our own words. */
export const LICENSES = {
  ours: {
    label: 'drawn by Lucky Thistle',
    sell: 'yes',
    register: 'yes',
    says: 'Drawn from numbers for this mark alone; it is yours to sell with and to register.',
  },
  client: { label: 'the client’s own', sell: 'yes', register: 'yes', says: 'Brought by the client, who has said that it is theirs.' },
  unknown: {
    label: 'not known',
    sell: 'ask',
    register: 'ask',
    says: 'Nobody has said where this comes from. Ask before it is sold or registered.',
  },
  'OFL-1.1': {
    label: 'SIL Open Font License 1.1',
    sell: 'yes',
    register: 'yes',
    says: 'Letters set in this font may be sold and be part of a registered mark; the font itself may not be sold by itself.',
  },
  'Apache-2.0': {
    label: 'Apache License 2.0',
    sell: 'yes',
    register: 'ask',
    says: 'May be sold with. It is open to everybody, so that only its arrangement in the mark can be yours.',
  },
  MIT: {
    label: 'MIT License',
    sell: 'yes',
    register: 'no',
    says: 'May be sold with. Everybody else may use the same piece, so that it should not be what a trademark rests on (common practice).',
  },
  ISC: {
    label: 'ISC License',
    sell: 'yes',
    register: 'no',
    says: 'May be sold with. Everybody else may use the same piece, so that it should not be what a trademark rests on (common practice).',
  },
  'CC-BY-3.0': {
    label: 'Creative Commons Attribution 3.0',
    sell: 'with credit',
    register: 'no',
    says: 'May be sold with when its author is named. Everybody else may use it, so that it cannot be registered.',
  },
  'CC-BY-4.0': {
    label: 'Creative Commons Attribution 4.0',
    sell: 'with credit',
    register: 'no',
    says: 'May be sold with when its author is named. Everybody else may use it, so that it cannot be registered.',
  },
  'CC0-1.0': {
    label: 'Creative Commons Zero',
    sell: 'yes',
    register: 'no',
    says: 'Free for anything; but free for everybody, so that it should not be what a trademark rests on (common practice).',
  },
} as const satisfies Readonly<Record<string, LicenseTerms>>;

export type LicenseName = keyof typeof LICENSES;
export const LICENSE_NAMES = Object.keys(LICENSES) as readonly LicenseName[];

/** The terms of a license by name; one that is not in the table counts as not known. */
export const termsOf = (license: string): LicenseTerms => (LICENSES as Readonly<Record<string, LicenseTerms>>)[license] ?? LICENSES.unknown;

/** The name of a font family's license in this table, from what the family says of it. */
export function licenseNameOf(family: { readonly license: string; readonly class: string }): LicenseName {
  if (family.class === 'client’s own') return /not known/i.test(family.license) ? 'unknown' : 'client';
  if (/apache/i.test(family.license)) return 'Apache-2.0';
  return /OFL|open font/i.test(family.license) ? 'OFL-1.1' : 'unknown';
}
