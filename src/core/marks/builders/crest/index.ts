import { z } from 'zod';
import type { Builder } from '../../building/builder';
import { Kit } from '../../building/kit';

const schema = z.strictObject({ sizePx: z.number().min(40).max(4000).default(400) });

export const crest: Builder<typeof schema> = {
  schema,
  label: 'Crest',
  words: ['arms'],
  hint: 'A shield',
  describe: () => 'crest',
  controls: [],
  starts: () => [{ id: 'plain', label: 'Plain', numbers: {} }],
  build: (n, context) => {
    const kit = new Kit(context);
    kit.shape('shield', 'Shield', { form: 'heaterShield', widthPx: n.sizePx * 0.84, heightPx: n.sizePx }, { role: 'lead' });
    return kit.made();
  },
};
