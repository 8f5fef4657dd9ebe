import type { FeatureRange, Typeface } from './typeface';

/** OpenType features by tag; 0 switches one off, 1 on, higher numbers choose among alternates. */
export type FeatureSettings = Readonly<Record<string, number>>;

/** What features are for, in a designer's words, by tag; numbered sets are named by `featureName`. @source OpenType layout tag registry */
const NAMES: Readonly<Record<string, string>> = {
  aalt: 'all alternates',
  c2sc: 'capitals to small capitals',
  calt: 'contextual alternates',
  case: 'marks for capitals',
  clig: 'contextual ligatures',
  cpsp: 'capital spacing',
  cswh: 'contextual swashes',
  dlig: 'rare ligatures',
  fina: 'forms at the end',
  frac: 'fractions',
  hist: 'historical forms',
  hlig: 'historical ligatures',
  init: 'forms at the beginning',
  kern: 'kerning',
  liga: 'ligatures',
  lnum: 'lining figures',
  numr: 'numerators',
  onum: 'old-style figures',
  ordn: 'ordinals',
  ornm: 'ornaments',
  pcap: 'petite capitals',
  pnum: 'proportional figures',
  salt: 'alternates',
  sinf: 'scientific inferiors',
  smcp: 'small capitals',
  subs: 'inferiors',
  sups: 'superiors',
  swsh: 'swashes',
  titl: 'titling forms',
  tnum: 'tabular figures',
  unic: 'unicase',
  zero: 'slashed zero',
};

/** Features that shaping itself needs; switching them by hand breaks scripts. @source OpenType layout tag registry, "required features" */
const SHAPING =
  /^(abv[fms]|akhn|blw[fms]|cjct|ccmp|curs|dist|half|haln|isol|ljmo|locl|mark|medi|med2|mkmk|nukt|pref|pres|pst[fs]|rclt|rkrf|rlig|rphf|rtl[am]|ltr[am]|rvrn|size|stch|tjmo|vatu|vjmo|aalt|kern|fin2|fin3|dnom|vert|vrt2|vkrn|vhal|vpal)$/;

/** What a feature is called: “stylistic set 3” for ss03. */
export function featureName(tag: string): string {
  const numbered = /^(ss|cv)(\d\d)$/.exec(tag);
  if (numbered) return `${numbered[1] === 'ss' ? 'stylistic set' : 'letter variant'} ${Number(numbered[2])}`;
  return NAMES[tag] ?? tag;
}

/** The features of a face that a designer may choose from, in the order of their tags. */
export const choosableFeatures = (tags: readonly string[]): readonly string[] => tags.filter((tag) => !SHAPING.test(tag));

export const offersFeature = (face: Typeface, tag: string): boolean => face.features.includes(tag);

/** A letter's own features as ranges of its run; those that the face does not offer are left out. */
export const rangesFor = (settings: FeatureSettings | undefined, face: Typeface, start: number, end: number): readonly FeatureRange[] =>
  Object.entries(settings ?? {}).flatMap(([tag, value]) => (offersFeature(face, tag) ? [{ tag, value, start, end }] : []));
