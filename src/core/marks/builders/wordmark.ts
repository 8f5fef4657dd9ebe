import { z } from 'zod';
import { boundsOf, type Bounds } from '../../geometry';
import { chargeRow, CHARGE_NAMES } from '../../heraldry';
import type { Builder } from '../building/builder';
import { formOf, initialsOf, Kit, larger, lettersOf, type FormInput } from '../building/kit';
import { outlineOf } from '../../shapes';
import { inRows, leadsOn, rowsFor } from '../../type';
import { paintSchema } from '../drawing/paint';
import { LITTLE_WORDS, littleWords, withoutLittle } from './little-words';

export const WORD_PLANS = ['plain', 'capitals', 'second-line', 'ruled', 'stacked', 'arched'] as const;
const WORD_LABELS: { readonly [P in (typeof WORD_PLANS)[number]]: string } = {
  plain: 'the name',
  capitals: 'capitals, opened up',
  'second-line': 'with its second line',
  ruled: 'between two rules',
  stacked: 'word over word',
  arched: 'on an arch',
};
export const SYMBOLS = ['none', 'initial-disk', 'initial-shield', 'initial-ring', ...CHARGE_NAMES] as const;
type SymbolName = (typeof SYMBOLS)[number];
export const SIDES = ['above', 'left'] as const;

const symbolLabel = (symbol: SymbolName): string =>
  symbol === 'none'
    ? 'none'
    : symbol.startsWith('initial')
      ? `initial ${symbol === 'initial-ring' ? 'in a ring' : `on a ${symbol.slice(8)}`}`
      : chargeRow(symbol as (typeof CHARGE_NAMES)[number]).one;

/** Most that a symbol's height may be of the capitals', in percent. */
const MOST_PERCENT = 400;

const shape = {
  plan: z.enum(WORD_PLANS).default('plain'),
  /** Over how many rows the name is broken; one leaves it as it was typed. */
  rows: z.number().int().min(1).max(5).default(1),
  symbol: z.enum(SYMBOLS).default('none'),
  littleWords,
  side: z.enum(SIDES).default('above'),
  /** Empty: the name that is followed. */
  words: z.string().max(400).default(''),
  second: z.string().max(400).default(''),
  sizePx: z.number().min(8).max(2000).default(120),
  trackingPermille: z.number().min(-100).max(600).default(0),
  symbolPercent: z.number().min(40).max(MOST_PERCENT).default(150),
  family: z.string().max(64).default(''),
  secondFamily: z.string().max(64).default(''),
  leadPaint: paintSchema.default({ role: 'lead' }),
  symbolPaint: paintSchema.default({ role: 'lead' }),
  groundPaint: paintSchema.default({ role: 'paper' }),
};
const schema = z.strictObject(shape);
type Words = z.infer<typeof schema>;

/** White between the rows of a name, in ems of its size: what lines of text begin with. */
const ROW_GAP = 0.25;

/** How far the last row's baseline lies below the first one's, in ems: rows stand apart by the white between their ink. */
const rowsBelow = (rows: readonly (Bounds | undefined)[]): number =>
  rows.slice(1).reduce((sum, row, at) => sum + (rows[at]?.bottom ?? 0) + ROW_GAP - (row?.top ?? 0), 0);

/** How far ink may reach beyond the capitals, in ems, before what stands outside makes room: round letters and serifs do. */
const ACCENT = 0.05;

/** A name word over word: little words stand with the one that they lead to. */
function stackedWords(text: string): readonly string[] {
  const words = text.split(/\s+/);
  return words.reduce<string[]>((rows, word, at) => {
    const before = words[at - 1];
    if (rows.length > 0 && before !== undefined && leadsOn(before)) return [...rows.slice(0, -1), `${rows.at(-1)} ${word}`];
    return [...rows, word];
  }, []);
}

/** The words, and the box of all of them. */
function words(kit: Kit, n: Words, x: number, y: number): { readonly width: number; readonly height: number } {
  const font = kit.face(n.family);
  const small = kit.face(n.secondFamily || n.family);
  const typed = (n.words || kit.context.heard.text).trim();
  const cap = kit.outline('H', font)?.capHeight ?? 0.7;
  const upper = n.plan === 'capitals' || n.plan === 'ruled' || n.plan === 'stacked';
  const tracking = n.trackingPermille || (n.plan === 'capitals' || n.plan === 'ruled' ? 140 : 0);
  const letterCase = upper ? 'upper' : 'typed';
  const flat = typed.replace(/\s*\n\s*/g, ' ');
  const text = n.rows > 1 ? inRows(flat, n.rows, (row) => kit.lineWidth(row, font, tracking, letterCase)) : typed;
  const lines = n.plan === 'stacked' ? stackedWords(flat) : text.split('\n');
  const widths = lines.map((line) => kit.lineWidth(line, font, tracking, letterCase) * n.sizePx);
  const width = Math.max(1, ...widths);
  const height = cap * n.sizePx;
  const lettering = {
    kind: 'lettering' as const,
    font,
    paint: n.leadPaint,
    case: letterCase as 'upper' | 'typed',
    trackingPermille: tracking,
  };
  if (n.plan === 'stacked') {
    // Every word as wide as the widest, as far as sizes that still belong together allow.
    let top = y;
    lines.forEach((line, index) => {
      const by = Math.min(1.9, width / Math.max(1, widths[index] as number));
      const sizePx = n.sizePx * by;
      kit.add({ ...lettering, id: `word-${index + 1}`, name: line, text: line, sizePx, place: { x, y: top + cap * sizePx, turnDeg: 0 } });
      top += cap * sizePx + n.sizePx * 0.2;
    });
    return { width, height: top - y - n.sizePx * 0.2 };
  }
  if (n.plan === 'arched') {
    // One line runs over an arch: rows below would run into each other where it is narrower.
    const radiusPx = Math.max(n.sizePx, kit.lineWidth(flat, font, tracking, letterCase) * n.sizePx * 0.72);
    kit.add({
      ...lettering,
      id: 'name',
      name: 'Name',
      text: flat,
      sizePx: n.sizePx,
      line: { shape: 'arc', form: 'arch', side: 'over', radiusPx },
      place: { x, y: y + height, turnDeg: 0 },
    });
    return { width, height: height + width * 0.18 };
  }
  kit.add({ ...lettering, id: 'name', name: 'Name', text, sizePx: n.sizePx, place: { x, y: y + height, turnDeg: 0 } });
  const inks = lines.map((line) => kit.extent(line, font, letterCase));
  const tall = height + n.sizePx * rowsBelow(inks);
  // What stands on the capitals or hangs below them keeps its white from the rules as well.
  const beyond = (ems: number) => n.sizePx * Math.max(0, ems - ACCENT);
  if (n.plan === 'ruled')
    for (const [slot, at] of [
      ['rule-above', y - n.sizePx * 0.28 - beyond(-(inks[0]?.top ?? 0) - cap)],
      ['rule-below', y + tall + n.sizePx * 0.28 + beyond(inks.at(-1)?.bottom ?? 0)],
    ] as const)
      kit.shape(slot, 'Rule', { form: 'line', widthPx: width, heightPx: Math.max(0.5, n.sizePx * 0.03) }, n.leadPaint, { x, y: at });
  const second = (n.second || kit.context.heard.second || '').trim();
  if (n.plan !== 'second-line' || second === '') return { width, height: tall };
  const smallCap = kit.outline('H', small)?.capHeight ?? 0.7;
  const natural = kit.lineWidth(second, small, 240, 'upper');
  const sizePx = Math.min(n.sizePx * 0.3, (width * 0.92) / Math.max(0.1, natural));
  const at = y + tall + n.sizePx * 0.26;
  kit.add({
    kind: 'lettering',
    id: 'second',
    name: 'Second line',
    text: second,
    case: 'upper',
    font: small,
    sizePx,
    trackingPermille: 240,
    paint: n.leadPaint,
    place: { x, y: at + smallCap * sizePx, turnDeg: 0 },
  });
  return { width, height: tall + n.sizePx * 0.26 + smallCap * sizePx };
}

/** The symbol, balanced on a point, so high. */
function symbol(kit: Kit, n: Words, height: number, x: number, y: number): void {
  if (n.symbol === 'none') return;
  if (n.symbol.startsWith('initial')) {
    const font = kit.face(n.family);
    const letter = initialsOf(n.words || kit.context.heard.text, 1, n.littleWords);
    const outline = kit.outline(letter, font);
    const open = n.symbol === 'initial-ring';
    const frame: FormInput =
      n.symbol === 'initial-shield'
        ? { form: 'heaterShield', widthPx: height * 0.86, heightPx: height }
        : open
          ? { form: 'ring', widthPx: height, heightPx: height, bandPx: height * 0.03 }
          : { form: 'disk', widthPx: height, heightPx: height };
    kit.shape('symbol-ground', open ? 'Ring' : 'Ground', frame, n.symbolPaint, { x, y });
    if (!outline) return;
    const tall = outline.box.bottom - outline.box.top;
    const wide = outline.box.right - outline.box.left;
    const sizePx = Math.min((height * 0.52) / tall, (height * 0.56) / wide);
    const lift = n.symbol === 'initial-shield' ? height * 0.06 : 0;
    kit.add({
      kind: 'lettering',
      id: 'symbol',
      name: 'Initial',
      text: letter,
      font,
      sizePx,
      align: 'start',
      paint: open ? n.symbolPaint : n.groundPaint,
      place: { x: x - outline.balance.x * sizePx, y: y - lift - outline.balance.y * sizePx, turnDeg: 0 },
    });
    return;
  }
  const { form } = chargeRow(n.symbol as (typeof CHARGE_NAMES)[number]);
  const start = formOf({ form });
  const box = boundsOf(outlineOf(start)) ?? { left: 0, top: 0, right: 1, bottom: 1 };
  const by = Math.min(height / (box.bottom - box.top), (height * 1.25) / (box.right - box.left));
  const sized = larger(start, by);
  kit.shape('symbol', 'Symbol', sized, n.symbolPaint, { x, y });
}

function build(n: Words, kit: Kit) {
  const font = kit.face(n.family);
  const cap = (kit.outline('H', font)?.capHeight ?? 0.7) * n.sizePx;
  if (n.symbol === 'none') {
    words(kit, n, 0, 0);
    return kit.made();
  }
  const height = (cap * n.symbolPercent) / 100;
  if (n.side === 'above') {
    symbol(kit, n, height, 0, -height / 2 - cap * 0.45);
    words(kit, n, 0, 0);
    return kit.made();
  }
  const trial = new Kit(kit.context);
  const { width, height: tall } = words(trial, n, 0, 0);
  symbol(kit, n, height, -width / 2 - height / 2 - cap * 0.5, tall / 2);
  words(kit, n, 0, 0);
  return kit.made();
}

const option = <T extends string>(values: readonly T[], label: (value: T) => string) =>
  values.map((value) => ({ value, label: label(value) }));
const CONTROLS = {
  plan: {
    type: 'choice',
    field: 'plan',
    label: 'Lines',
    hint: 'How the name is set',
    options: option(WORD_PLANS, (plan) => WORD_LABELS[plan]),
  },
  rows: {
    type: 'number',
    field: 'rows',
    label: 'Rows',
    hint: 'Over how many rows the name is broken',
    when: (n: Readonly<Record<string, unknown>>) => n['plan'] !== 'stacked' && n['plan'] !== 'arched',
  },
  words: { type: 'words', field: 'words', label: 'Words', hint: 'Empty is the name', placeholder: 'the name' },
  second: {
    type: 'words',
    field: 'second',
    label: 'Second line',
    hint: 'Stands under the name',
    placeholder: 'the second line',
    when: (n: Readonly<Record<string, unknown>>) => n['plan'] === 'second-line',
  },
  size: { type: 'number', field: 'sizePx', label: 'Size', unit: 'px', hint: 'Size of the name' },
  tracking: { type: 'number', field: 'trackingPermille', label: 'Tracking', hint: 'White between the letters, in 1/1000 em' },
  face: { type: 'face', field: 'family', label: 'Face', hint: 'The face of the name' },
  second_face: { type: 'face', field: 'secondFamily', label: 'Second face', hint: 'The face of the second line' },
  paint: { type: 'paint', field: 'leadPaint', label: 'Color', hint: 'The words' },
} as const;

/** A long name starts over several rows, where its setting has not broken it in a way of its own. */
const rowsOf = (plan: Words['plan'], name: string): { readonly rows?: number } => {
  const rows = plan === 'stacked' || plan === 'arched' ? 1 : rowsFor(name);
  return rows > 1 ? { rows } : {};
};

/** The name by itself. */
export const wordmark: Builder<typeof schema> = {
  schema,
  label: 'Wordmark',
  words: ['name', 'logotype', 'lettering', 'words'],
  hint: 'The name by itself, in one of several settings',
  describe: ({ plan }) => WORD_LABELS[plan],
  controls: [
    CONTROLS.plan,
    CONTROLS.rows,
    CONTROLS.words,
    CONTROLS.second,
    CONTROLS.size,
    CONTROLS.tracking,
    CONTROLS.face,
    CONTROLS.second_face,
    CONTROLS.paint,
  ],
  starts: ({ heard }) =>
    WORD_PLANS.filter(
      (plan) =>
        (plan !== 'second-line' || heard.second) &&
        (plan !== 'stacked' || /\s/.test(heard.text.trim())) &&
        // Scripts without capitals have none to be opened up; one letter has nothing between, and bends over nothing.
        (plan !== 'capitals' || (lettersOf(heard.text).length > 1 && heard.text.toUpperCase() !== heard.text.toLowerCase())) &&
        (plan !== 'arched' || lettersOf(heard.text).length > 2),
    ).map((plan) => ({
      id: plan,
      label: WORD_LABELS[plan].replace(/^./, (letter) => letter.toUpperCase()),
      numbers: { plan, ...rowsOf(plan, heard.text) },
    })),
  families: ({ family, secondFamily }) => [family, secondFamily],
  build: (n, context) => build({ ...n, symbol: 'none' }, new Kit(context)),
};

/** A symbol with the name, above or beside it. */
export const combined: Builder<typeof schema> = {
  schema,
  label: 'Symbol and name',
  words: ['combination', 'logo', 'symbol', 'icon', 'lockup', 'brand mark'],
  hint: 'A symbol with the name under or beside it',
  describe: ({ symbol: which, side }) => `${symbolLabel(which)}, ${side === 'above' ? 'above' : 'to the left'}`,
  controls: [
    { type: 'choice', field: 'symbol', label: 'Symbol', hint: 'What stands with the name', options: option(SYMBOLS, symbolLabel) },
    {
      type: 'choice',
      field: 'side',
      label: 'Stands',
      hint: 'Above the name, or to its left',
      options: option(SIDES, (side) => (side === 'above' ? 'above' : 'to the left')),
    },
    { ...LITTLE_WORDS, when: (n) => String(n['symbol']).startsWith('initial-') },
    { type: 'number', field: 'symbolPercent', label: 'Symbol height', unit: '%', hint: 'Against the height of the capitals' },
    CONTROLS.plan,
    CONTROLS.rows,
    CONTROLS.words,
    CONTROLS.second,
    CONTROLS.size,
    CONTROLS.tracking,
    CONTROLS.face,
    CONTROLS.second_face,
    CONTROLS.paint,
    { type: 'paint', field: 'symbolPaint', label: 'Symbol color', hint: 'The symbol, or its ground' },
    {
      type: 'paint',
      field: 'groundPaint',
      label: 'Light color',
      hint: 'The initial on its ground',
      when: (n) => String(n['symbol']).startsWith('initial-') && n['symbol'] !== 'initial-ring',
    },
  ],
  starts: ({ heard }) => {
    const plan = heard.second ? ('second-line' as const) : ('plain' as const);
    // Above several rows a symbol is larger, and beside them it is as high as they are.
    const besideRows = (percent: number, side: (typeof SIDES)[number], setting: Words['plan']) => {
      const more = Math.max(rowsOf(setting, heard.text).rows ?? 1, setting === 'stacked' ? 1 : heard.text.split('\n').length) - 1;
      return Math.min(MOST_PERCENT, Math.round(side === 'left' ? percent + 120 * more : percent * (1 + 0.3 * more)));
    };
    const all = (
      [
        ['initial-disk', 'above', 'capitals', 230],
        ['initial-shield', 'left', plan, 200],
        ['initial-ring', 'above', plan, 260],
        ['compass-star', 'above', 'ruled', 190],
        ['acorn', 'left', plan, 170],
        ['bee', 'above', 'capitals', 200],
        ['ship', 'left', 'stacked', 260],
        ['anchor', 'above', 'arched', 200],
      ] as const
    ).map(([which, side, words_, symbolPercent]) => {
      const name: SymbolName = which === 'compass-star' ? 'estoile' : which;
      return {
        id: `${which}-${side}`,
        label: `${symbolLabel(name).replace(/^./, (letter) => letter.toUpperCase())}, ${side === 'above' ? 'above' : 'to the left'}`,
        numbers: {
          symbol: name,
          side,
          plan: words_,
          symbolPercent: besideRows(symbolPercent, side, words_),
          ...rowsOf(words_, heard.text),
        },
      };
    });
    return withoutLittle(heard.text, all);
  },
  families: ({ family, secondFamily }) => [family, secondFamily],
  build: (n, context) => build(n, new Kit(context)),
};
