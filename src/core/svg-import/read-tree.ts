import { SaxesParser } from 'saxes';
import { fail, ok, type Problem, type Result } from '../result/result';
import { SVG_LIMITS } from './limits';

/** One element of a drawing; names without their prefix. */
export interface SvgElement {
  readonly name: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly children: readonly SvgElement[];
  /** Of style sheets only. */
  readonly text: string;
}

interface Growing {
  readonly name: string;
  readonly attributes: Record<string, string>;
  readonly children: Growing[];
  text: string;
}

/** Thrown inside the parser's callbacks, which have no other way out. */
class Refusal extends Error {
  constructor(readonly problem: Problem) {
    super(problem.message);
  }
}
const refuse = (code: string, message: string, fix?: string): never => {
  throw new Refusal({ code, message, ...(fix ? { fix } : {}) });
};

const local = (name: string): string => name.slice(name.indexOf(':') + 1);

/**
 * Reads markup into a plain tree. Nothing is fetched and nothing expanded: entities of a document's own are refused, and limits are kept while reading.
 * @returns what stands at the root, which must be `svg`
 */
export function readSvgTree(markup: string): Result<SvgElement> {
  if (markup.length > SVG_LIMITS.characters)
    return fail({
      code: 'svg-too-large',
      message: `This drawing has ${markup.length.toLocaleString('en')} characters; the limit is ${SVG_LIMITS.characters.toLocaleString('en')}.`,
      fix: 'Simplify it in the program it was made with.',
    });
  const parser = new SaxesParser({ xmlns: false });
  const stack: Growing[] = [];
  let root: Growing | undefined;
  let elements = 0;
  parser.on('doctype', (text) => {
    if (/<!ENTITY/i.test(text))
      refuse('svg-entities', 'This drawing defines entities of its own, which can hide almost anything.', 'Save it without a DOCTYPE.');
  });
  parser.on('error', (error) =>
    refuse(
      'svg-broken',
      `This is not a whole SVG drawing: ${error.message.replace(/^\d+:\d+: /, '')}`,
      'Save it anew in the program it was made with.',
    ),
  );
  parser.on('opentag', (tag) => {
    if (++elements > SVG_LIMITS.elements)
      refuse(
        'svg-too-many',
        `This drawing has more than ${SVG_LIMITS.elements.toLocaleString('en')} elements.`,
        'Simplify it in the program it was made with.',
      );
    if (stack.length >= SVG_LIMITS.depth)
      refuse('svg-too-deep', `Elements lie within each other more than ${SVG_LIMITS.depth} deep.`, 'Ungroup some of them.');
    const attributes: Record<string, string> = Object.create(null) as Record<string, string>;
    for (const [name, value] of Object.entries(tag.attributes)) attributes[local(name)] = String(value);
    const element: Growing = { name: local(tag.name), attributes, children: [], text: '' };
    stack.at(-1)?.children.push(element);
    root ??= element;
    stack.push(element);
  });
  parser.on('closetag', () => void stack.pop());
  let kept = 0;
  const words = (text: string) => {
    const here = stack.at(-1);
    if (here?.name === 'style') here.text += text;
    // Words stand between spans: each stretch keeps its place among them.
    else if ((here?.name === 'text' || here?.name === 'tspan') && kept < SVG_LIMITS.words) {
      kept += text.length;
      here.children.push({ name: '#text', attributes: {}, children: [], text: text.slice(0, SVG_LIMITS.words) });
    }
  };
  parser.on('text', words);
  parser.on('cdata', words);
  try {
    parser.write(markup).close();
  } catch (error) {
    if (error instanceof Refusal) return fail(error.problem);
    throw error;
  }
  return root?.name === 'svg'
    ? ok(root)
    : fail({ code: 'not-svg', message: 'This file is not an SVG drawing.', fix: 'Choose an .svg file.' });
}
