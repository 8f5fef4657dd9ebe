import { heightOf, widthOf } from '../../geometry';
import type { KnownInput } from '../../marks/registry';
import { CRAFT, ground, type Bench } from '../bench';
import { inDisk, placed, together, type Item } from '../item';
import type { LayoutRow } from '../layout';
import { standingBlock } from './lines';

/** Words on a panel, light on the lead or dark on paper with an edge. */
function onPanel(bench: Bench): Item | undefined {
  const words = standingBlock(bench, { paint: bench.on('lead') }, 2);
  if (!words?.capPx) return undefined;
  const air = CRAFT.air * words.capPx;
  const size = { widthPx: widthOf(words.box) + 2 * air, heightPx: heightOf(words.box) + 1.7 * air };
  const under = ground(
    'panel',
    'Panel',
    { form: 'panel', ...size, cornerPx: Math.min(size.heightPx, size.widthPx) * 0.14 },
    { role: 'lead' },
    size,
  );
  const middle = { x: (words.box.left + words.box.right) / 2, y: (words.box.top + words.box.bottom) / 2 };
  return together(under, placed(words, { x: -middle.x, y: -middle.y }));
}

/** Words on a disk. */
function onDisk(bench: Bench): Item | undefined {
  const words = standingBlock(bench, { paint: bench.on('lead') }, 3);
  if (!words?.capPx) return undefined;
  const size = { widthPx: 420, heightPx: 420 };
  return together(ground('disk', 'Disk', { form: 'disk', ...size }, { role: 'lead' }, size), inDisk(words, 210 * 0.82));
}

/** All of the primary, as it is. */
const whole = (bench: Bench, look: Partial<KnownInput>): Item | undefined => {
  const part = {
    kind: 'linked',
    id: 'all',
    name: 'All of the primary',
    from: { mark: bench.context.primary, part: null },
    take: 'whole',
    ...look,
  } as KnownInput;
  const ink = bench.context.measure([part]).get('all')?.ink;
  return (
    ink && {
      box: ink,
      middle: { x: (ink.left + ink.right) / 2, y: (ink.top + ink.bottom) / 2 },
      put: ({ x, y, scale }) => [{ ...part, place: { x, y, turnDeg: 0, ...(scale === 1 ? {} : { scale }) } } as KnownInput],
    }
  );
};

/** What stands on something, and the whole as it is. */
export const grounds = {
  'on-panel': { label: 'words on a panel', role: 'secondary', lay: onPanel },
  'on-disk': { label: 'words on a disk', role: 'submark', lay: onDisk },
  whole: { label: 'all of it, as it is', role: 'secondary', lay: (bench) => whole(bench, {}) },
  // Common practice: a stamp lies on a photo in one color at about 60 % opacity.
  stamp: { label: 'all of it, as a stamp', role: 'watermark', lay: (bench) => whole(bench, { opacity: 0.6 }) },
  'name-stamp': {
    label: 'name, as a stamp',
    role: 'watermark',
    lay: (bench) => {
      const name = bench.name({ paint: { role: 'ink' } });
      return name && faded(name, 0.6);
    },
  },
} as const satisfies Readonly<Record<string, LayoutRow>>;

const faded = (item: Item, opacity: number): Item => ({
  ...item,
  put: (at) => item.put(at).map((part) => ({ ...part, opacity }) as KnownInput),
});
