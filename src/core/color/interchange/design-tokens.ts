import { channelsOf, type Hex } from '../hex';
import { swatchesOf } from '../palette';
import { plainName, readCssColor, type ReadColor, type ReadColors } from './read-color';
import { keysFor, type PaletteFormat } from './palette-format';

type Json = Readonly<Record<string, unknown>>;
const isGroup = (value: unknown): value is Json => value !== null && typeof value === 'object' && !Array.isArray(value);

/** Deepest groups, most tokens and most aliases in a row that are read of a file from elsewhere. */
const DEEPEST = 20;
const MOST_TOKENS = 2000;

interface Token {
  readonly path: string;
  readonly type: string | undefined;
  readonly value: unknown;
}

/** Every token of a file with its path; a group's `$type` holds for all in it. Files from before the `$` are read too. */
function tokensIn(group: Json, path: readonly string[], type: string | undefined, into: Token[]): void {
  if (path.length > DEEPEST || into.length >= MOST_TOKENS) return;
  const own = typeof group['$type'] === 'string' ? group['$type'] : typeof group['type'] === 'string' ? group['type'] : type;
  const value = '$value' in group ? group['$value'] : 'value' in group && !isGroup(group['value']) ? group['value'] : undefined;
  if (value !== undefined) return void into.push({ path: path.join('.'), type: own, value });
  for (const [name, inner] of Object.entries(group))
    if (!name.startsWith('$') && isGroup(inner)) tokensIn(inner, [...path, name], own, into);
}

/** CSS notations for the color spaces that a token may name. */
const SPACES: Readonly<Record<string, (components: string) => string>> = {
  hsl: (components) => `hsl(${components})`,
  hwb: (components) => `hwb(${components})`,
  lab: (components) => `lab(${components})`,
  lch: (components) => `lch(${components})`,
  oklab: (components) => `oklab(${components})`,
  oklch: (components) => `oklch(${components})`,
};

function colorOf(value: unknown, name: string): ReadColor | undefined {
  if (typeof value === 'string') return readCssColor(value, name);
  if (!isGroup(value)) return undefined;
  const { colorSpace, components, hex, alpha = 1 } = value;
  if (alpha !== 1) return undefined;
  if (typeof colorSpace === 'string' && Array.isArray(components) && components.every((one) => typeof one === 'number' || one === 'none')) {
    const percents =
      colorSpace === 'hsl' || colorSpace === 'hwb' ? components.map((one, at) => (at > 0 && one !== 'none' ? `${one}%` : one)) : components;
    const text = percents.join(' ');
    const found = readCssColor(SPACES[colorSpace]?.(text) ?? `color(${colorSpace} ${text})`, name);
    if (found) return found;
  }
  return typeof hex === 'string' ? readCssColor(hex, name) : undefined;
}

function read(text: string): ReadColors {
  const tokens: Token[] = [];
  try {
    const file: unknown = JSON.parse(text);
    if (isGroup(file)) tokensIn(file, [], undefined, tokens);
  } catch {
    return { colors: [], skipped: ['the file is not JSON'] };
  }
  const byPath = new Map(tokens.map((token) => [token.path, token]));
  const resolved = (token: Token, steps = DEEPEST): Token => {
    const alias = typeof token.value === 'string' ? /^\{(.+)\}$/.exec(token.value)?.[1] : undefined;
    const other = alias === undefined ? undefined : byPath.get(alias);
    return other && steps > 0 ? resolved(other, steps - 1) : token;
  };
  const colors: ReadColor[] = [];
  const skipped: string[] = [];
  for (const token of tokens) {
    const { type, value } = resolved(token);
    const name = plainName(token.path.replace(/^colors?\./, ''));
    const found = type === undefined || type === 'color' ? colorOf(value, name) : undefined;
    if (found) colors.push(found);
    else skipped.push(token.path);
  }
  return { colors, skipped };
}

const componentsOf = (hex: Hex): readonly number[] =>
  Object.values(channelsOf(hex)).map((channel: number) => Math.round(channel * 1e4) / 1e4);

/** @source Design Tokens Community Group, Format Module and Color Module (2025.10): `$type` color, `$value` of a color space, its components and a hex */
export const designTokens: PaletteFormat = {
  label: 'Design tokens',
  extension: 'tokens.json',
  type: 'application/design-tokens+json',
  write: (palette, brand) => {
    const swatches = swatchesOf(palette);
    const keys = keysFor(swatches.map(({ name }) => name));
    const color = swatches.map(({ key, hex }, at) => {
      const use = palette.notes?.[key]?.use;
      return [keys[at], { $value: { colorSpace: 'srgb', components: componentsOf(hex), hex }, ...(use ? { $description: use } : {}) }];
    });
    return `${JSON.stringify({ color: { $type: 'color', $description: brand, ...Object.fromEntries(color) } }, null, 2)}\n`;
  },
  reads: (text) => text.trimStart().startsWith('{'),
  read,
};
