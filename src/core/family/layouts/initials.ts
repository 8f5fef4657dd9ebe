import { heightOf } from '../../geometry';
import { CRAFT, ground, type Bench } from '../bench';
import { asHigh, inDisk, placed, row, together, type Item } from '../item';
import type { LayoutRow } from '../layout';
import { standingBlock } from './lines';

/** Diameter of what an initial stands on, in mark pixels. */
const SIZE_PX = 300;
/** How far an initial reaches toward the edge of a disk, and of a square. */
const IN_DISK = 0.68;
const IN_SQUARE = 0.56;

function onGround(bench: Bench, form: 'disk' | 'panel'): Item | undefined {
  const initial = bench.initial({ paint: bench.on('lead') });
  if (!initial) return undefined;
  const size = { widthPx: SIZE_PX, heightPx: SIZE_PX };
  const under = ground(
    'ground',
    form === 'disk' ? 'Disk' : 'Square',
    form === 'disk' ? { form, ...size } : { form, ...size, cornerPx: SIZE_PX * 0.18 },
    { role: 'lead' },
    size,
  );
  return together(under, inDisk(initial, (SIZE_PX / 2) * (form === 'disk' ? IN_DISK : IN_SQUARE * 1.2)));
}

/** The initial on a small ground, and the name beside it. */
function besideName(bench: Bench): Item | undefined {
  const [name, mark] = [standingBlock(bench, {}, 2), onGround(bench, 'panel')];
  if (!name?.capPx || !mark) return undefined;
  const tall = Math.max(1.7 * name.capPx, heightOf(name.box));
  return row([asHigh(mark, tall), name], [CRAFT.gapBeside * name.capPx]);
}

/** The shortest forms: the initial, and what builders make of the name's letters. */
export const initials = {
  initial: {
    label: 'initial alone',
    role: 'icon',
    lay: (bench) => {
      const item = bench.initial();
      return item && placed(asHigh(item, SIZE_PX), {});
    },
  },
  'initial-on-disk': { label: 'initial on a disk', role: 'icon', lay: (bench) => onGround(bench, 'disk') },
  'initial-on-square': { label: 'initial on a rounded square', role: 'icon', lay: (bench) => onGround(bench, 'panel') },
  'initial-and-name': { label: 'initial beside the name', role: 'secondary', lay: besideName },
  monogram: {
    label: 'initials as a monogram',
    role: 'submark',
    lay: (bench) => (bench.wordCount > 1 ? bench.context.build('monogram', {}, 'monogram') : undefined),
  },
  'mirrored-initial': {
    label: 'half of the initial, mirrored',
    role: 'submark',
    lay: (bench) => bench.context.build('submark', { crop: 'right-mirrored', ringText: false, line: false }, 'submark'),
  },
  'mirrored-ringed': {
    label: 'mirrored initial, the name around',
    role: 'submark',
    lay: (bench) => bench.context.build('submark', { crop: 'left-mirrored' }, 'submark'),
  },
} as const satisfies Readonly<Record<string, LayoutRow>>;
