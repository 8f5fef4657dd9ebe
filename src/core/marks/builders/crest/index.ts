import { shrunk } from '../../../geometry';
import { tinctureFaults, writeBlazon } from '../../../heraldry';
import type { Builder } from '../../building/builder';
import { Kit } from '../../building/kit';
import { around, containerOf, SEPARATED, topOf } from './around';
import { CONTROLS } from './controls';
import { drawField, type Showing } from './field';
import { outlineOfFigure, putFigure } from './figures';
import { motto, mottoOf } from './motto';
import { crestSchema, paintsOf } from './numbers';
import { starts } from './starts';

/** A shield with its field and charges, and all that stands around it. */
export const crest: Builder<typeof crestSchema> = {
  schema: crestSchema,
  label: 'Crest',
  words: ['arms', 'coat of arms', 'shield', 'heraldry', 'blazon', 'motto', 'club', 'supporters', 'quarterly', 'crown'],
  hint: 'A shield with its field and charges, a crown, a motto',
  describe: ({ arms: on }) => writeBlazon(on),
  controls: CONTROLS,
  starts,
  families: ({ family }) => [family],
  build: (n, context) => {
    const kit = new Kit(context);
    const { paths, remember } = context;
    const h = n.sizePx;
    const shield = containerOf(kit, n);
    const width = shield.wide;
    const edge = (h * n.edgePercent) / 100;
    around(kit, n, width);
    putFigure(kit, 'shield', shield, n.inkPaint, { x: 0, y: 0 }, SEPARATED(n));
    const light = edge * 0.5;
    const outline = outlineOfFigure(shield);
    const inside = remember(`shield ${JSON.stringify([outline.path, edge])}`, () => {
      const welded = paths.weld([outline]);
      return { line: shrunk(welded, edge * 0.5, paths, 'miter'), field: shrunk(welded, edge, paths, 'miter') };
    });
    if (light > 0) kit.drawn('shield-line', 'Inner line', [{ path: inside.line.path, rule: inside.line.rule, paint: 0 }], [n.groundPaint]);
    const show: Showing = {
      ...{ paints: paintsOf(n), hatched: n.hatched, ink: n.inkPaint, ground: n.groundPaint },
      pitchPx: Math.max(h / 90, (2.6 * h) / n.smallestPx),
      linePx: Math.max(h / 320, (0.95 * h) / n.smallestPx),
    };
    drawField({ kit, show, inside: inside.field, own: n.own }, n.arms);
    const above = topOf(kit, n, width);
    if (above) putFigure(kit, 'top', above, n.inkPaint, { x: 0, y: -h / 2 - above.tall / 2 - h * 0.035 }, SEPARATED(n));
    const below = mottoOf(kit, n) === '' ? h * 0.5 + h * 0.1 : h * 0.5 + h * 0.2;
    motto(kit, n, h * 0.5 + h * (n.banner.startsWith('hanging') ? 0.05 : 0.16));
    if (n.name) {
      const text = context.heard.text.replace(/\s*\n\s*/g, ' ');
      const font = kit.face(n.family);
      const y = below + h * 0.16;
      const cap = kit.outline('H', font)?.capHeight ?? 0.7;
      const sizePx = Math.min((h * 0.1) / cap, (width * 1.7) / Math.max(0.1, kit.lineWidth(text, font, 120, 'upper')));
      kit.shape('name-panel', 'Name panel', { form: 'panel', widthPx: width * 1.86, heightPx: h * 0.17, cornerPx: 0 }, n.inkPaint, {
        x: 0,
        y,
      });
      kit.add({
        kind: 'lettering',
        id: 'name',
        name: 'Name',
        text,
        case: 'upper',
        font,
        sizePx: Math.max(1, sizePx),
        trackingPermille: 120,
        paint: n.groundPaint,
        place: { x: 0, y: y + (cap * sizePx) / 2, turnDeg: 0 },
      });
    }
    for (const fault of tinctureFaults(n.arms))
      kit.note(
        'rule-of-tincture',
        `${fault} Seen from afar the two run together.`,
        'Exchange a metal for a color, or keep it: the rule is old, and often broken.',
      );
    if (n.backing) {
      const taken = new Set(kit.parts.flatMap((part) => ('members' in part ? part.members : [])));
      kit.add({
        kind: 'group',
        id: 'all',
        name: 'All of it',
        members: kit.parts.filter(({ id }) => !taken.has(id)).map(({ id }) => id),
        treatments: [{ kind: 'welding-band', id: 'backing', widthPx: Math.max(0.1, h * 0.045), counters: 'all', paint: n.groundPaint }],
      });
    }
    return kit.made();
  },
};
