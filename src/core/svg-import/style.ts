import type { SvgElement } from './read-tree';

/** Properties of a drawing that are understood. */
const INHERITED = [
  'fill',
  'stroke',
  'stroke-width',
  'stroke-linecap',
  'stroke-linejoin',
  'fill-rule',
  'clip-rule',
  'fill-opacity',
  'stroke-opacity',
  'color',
  'visibility',
  'font-family',
  'font-size',
  'font-weight',
  'font-style',
  'text-anchor',
] as const;
const OWN = ['opacity', 'display', 'clip-path', 'stop-color', 'stop-opacity', 'transform'] as const;
const ALL: readonly string[] = [...INHERITED, ...OWN];

/** Values by property; what is inherited is there already. */
export type Style = Readonly<Record<string, string>>;

export const FIRST_STYLE: Style = {
  fill: '#000000',
  stroke: 'none',
  'stroke-width': '1',
  'stroke-linecap': 'butt',
  'stroke-linejoin': 'miter',
  'fill-rule': 'nonzero',
  'clip-rule': 'nonzero',
  'fill-opacity': '1',
  'stroke-opacity': '1',
  color: '#000000',
  visibility: 'visible',
};

interface Rule {
  readonly matches: (element: SvgElement) => boolean;
  readonly weight: number;
  readonly declarations: Style;
}

const declarationsOf = (text: string): Style =>
  Object.fromEntries(
    text.split(';').flatMap((declaration) => {
      const at = declaration.indexOf(':');
      const name = declaration.slice(0, at).trim().toLowerCase();
      const value = declaration
        .slice(at + 1)
        .replace(/!important/i, '')
        .trim();
      return at > 0 && ALL.includes(name) && value !== '' ? [[name, value]] : [];
    }),
  );

/** A selector of one element: its name, classes and id; nothing for those that look at more than one. */
function simpleSelector(selector: string): Pick<Rule, 'matches' | 'weight'> | undefined {
  const found = /^([a-zA-Z][\w-]*|\*)?((?:[.#][\w-]+)*)$/.exec(selector.trim());
  if (!found || selector.trim() === '') return undefined;
  const [, name, rest = ''] = found;
  const parts = rest.match(/[.#][\w-]+/g) ?? [];
  return {
    weight: parts.reduce((sum, part) => sum + (part.startsWith('#') ? 100 : 10), name && name !== '*' ? 1 : 0),
    matches: (element) =>
      (!name || name === '*' || element.name === name) &&
      parts.every((part) =>
        part.startsWith('#')
          ? element.attributes['id'] === part.slice(1)
          : (element.attributes['class'] ?? '').split(/\s+/).includes(part.slice(1)),
      ),
  };
}

/**
 * Reads style sheets of simple selectors.
 * @param note is told of every selector that is not understood
 * @source W3C CSS 2.2, 5 "Selectors" and 6.4.3 "Calculating a selector's specificity", for single elements
 */
/** The rules of a drawing's style sheets. */
export type StyleRules = ReturnType<typeof readSheets>;

export function readSheets(sheets: readonly string[], note: (what: string) => void): readonly Rule[] {
  const rules: Rule[] = [];
  for (const sheet of sheets) {
    const plain = sheet.replace(/\/\*[\s\S]*?\*\//g, '');
    for (const at of plain.match(/@[\w-]+/g) ?? []) note(`the style rule ${at}`);
    for (const [, selectors = '', body = ''] of plain.matchAll(/([^{}@;]+)\{([^{}]*)\}/g))
      for (const selector of selectors.split(',')) {
        const simple = simpleSelector(selector);
        if (simple) rules.push({ ...simple, declarations: declarationsOf(body) });
        else note(`the style of “${selector.trim().slice(0, 40)}”`);
      }
  }
  return rules.sort((one, other) => one.weight - other.weight);
}

/** How an element is styled: inherited values, its presentation attributes, style sheets, its style attribute; the later wins. */
export function styleOf(element: SvgElement, parent: Style, rules: readonly Rule[]): Style {
  const style: Record<string, string> = {};
  for (const name of INHERITED) style[name] = parent[name] ?? '';
  const put = (declarations: Style) => {
    for (const [name, value] of Object.entries(declarations)) if (value !== 'inherit') style[name] = value;
  };
  for (const name of ALL) {
    const value = element.attributes[name];
    if (value !== undefined && value !== 'inherit' && name !== 'transform') style[name] = value.trim();
  }
  for (const rule of rules) if (rule.matches(element)) put(rule.declarations);
  put(declarationsOf(element.attributes['style'] ?? ''));
  return style;
}
