import { columns } from '../../pieces/layout';
import type { SheetPage } from '../page';

/** What the brand says, and how. */
export const voice: SheetPage = {
  title: 'In words',
  text: () => '',
  there: ({ promise, audience, keywords }) => promise !== '' || audience !== '' || keywords.length > 0,
  draw: (kit, { body, unit }) => {
    const { promise, audience, avoid, keywords } = kit.facts;
    const left = columns(body, 0, 0.56);
    const right = columns(body, 0.62, 1);
    kit.words(left, promise || kit.facts.name, { is: 'heading', size: unit * 9, stands: 'middle' });
    const parts = [audience, keywords.length > 0 ? `Words to live up to: ${keywords.join(', ')}.` : '', avoid ? `To avoid: ${avoid}` : ''];
    kit.words(right, parts.filter((each) => each !== '').join('\n\n'), { size: unit * 2.5, stands: 'middle' });
  },
};
