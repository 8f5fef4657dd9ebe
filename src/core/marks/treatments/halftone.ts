import { notNought } from '../../numeric/tolerances';
import { z } from 'zod';
import { boundsOf, PathPen, type Region } from '../../geometry';
import { paintSchema } from '../drawing/paint';
import { cutAway, faceArea, painted } from '../treating/layers';
import { angleDeg, lengthPx, percent, treatmentBase, type TreatmentKind } from '../treating/treatment';

const FORMS = ['dots', 'lines'] as const;
const HOWS = ['open', 'lay over'] as const;

export const halftoneSchema = z.strictObject({
  ...treatmentBase,
  kind: z.literal('halftone'),
  form: z.enum(FORMS).default('dots'),
  how: z.enum(HOWS).default('lay over'),
  pitchPx: lengthPx(1, 500).default(7),
  screenDeg: angleDeg.default(45),
  /** Where the tone runs to. */
  angleDeg: angleDeg.default(90),
  fromPercent: percent.default(0),
  toPercent: percent.default(60),
  paint: paintSchema.default({ role: 'second' }),
});

/** Most dots or pieces of lines; a finer screen is made as much coarser. */
const MOST = 2500;
/** Control points of a quarter circle. @source M. Goldapp, "Approximation of circular arcs by cubic polynomials", 1991: 0.027 % at most */
const ROUND = 0.5522847498;

/** A tone made of dots or lines that grow along one direction. */
export const halftone: TreatmentKind<typeof halftoneSchema> = {
  schema: halftoneSchema,
  label: 'Halftone',
  words: ['halftone', 'dots', 'screen', 'raster', 'comic', 'pop', 'shade', 'tone', 'newsprint'],
  hint: 'A tone of dots or lines that grow toward one side, as a press makes it',
  describe: ({ form, pitchPx, fromPercent, toPercent }) => `${form} every ${pitchPx} px, ${fromPercent} to ${toPercent} %`,
  controls: [
    { type: 'choice', field: 'form', label: 'Made of', hint: 'Dots or lines', options: FORMS.map((value) => ({ value, label: value })) },
    {
      type: 'choice',
      field: 'how',
      label: 'They',
      hint: 'Lie over it in a color, or leave it open',
      options: [
        { value: 'lay over', label: 'lie over it' },
        { value: 'open', label: 'leave it open' },
      ],
    },
    { type: 'number', field: 'pitchPx', label: 'Pitch', unit: 'px', hint: 'From one to the next' },
    { type: 'number', field: 'screenDeg', label: 'Screen', unit: '°', hint: 'How their rows are turned' },
    { type: 'number', field: 'angleDeg', label: 'Toward', unit: '°', hint: 'Where the tone runs: 0 to the right, 90 down' },
    { type: 'number', field: 'fromPercent', label: 'From', unit: '%', hint: 'How much is covered where the tone begins' },
    { type: 'number', field: 'toPercent', label: 'To', unit: '%', hint: 'How much is covered where it ends' },
    { type: 'paint', field: 'paint', label: 'Color', hint: 'What they are painted with', when: ({ how }) => how === 'lay over' },
  ],
  handles: [{ type: 'turn', angle: 'angleDeg' }],
  inOneColor: 'kept',
  quick: 'unchecked',
  treat: (tone, layers, { paths }) => {
    const area = faceArea(layers, paths);
    const box = boundsOf(area.path);
    if (!box) return layers;
    const [cx, cy] = [(box.left + box.right) / 2, (box.top + box.bottom) / 2];
    const half = Math.hypot(box.right - box.left, box.bottom - box.top) / 2;
    const pitch = Math.max(tone.pitchPx, Math.sqrt((4 * half * half) / MOST));
    const [c, s] = [Math.cos((tone.screenDeg * Math.PI) / 180), Math.sin((tone.screenDeg * Math.PI) / 180)];
    const [tx, ty] = [Math.cos((tone.angleDeg * Math.PI) / 180), Math.sin((tone.angleDeg * Math.PI) / 180)];
    const run = notNought((Math.abs(tx) * (box.right - box.left) + Math.abs(ty) * (box.bottom - box.top)) / 2);
    const coverAt = (x: number, y: number) => {
      const t = Math.min(1, Math.max(0, (((x - cx) * tx + (y - cy) * ty) / run + 1) / 2));
      return (tone.fromPercent + (tone.toPercent - tone.fromPercent) * t) / 100;
    };
    const pen = new PathPen();
    const steps = Math.ceil(half / pitch) + 1;
    const place = (u: number, v: number) => ({ x: cx + u * c - v * s, y: cy + u * s + v * c });
    for (let row = -steps; row <= steps; row++) {
      if (tone.form === 'dots')
        for (let column = -steps; column <= steps; column++) {
          const { x, y } = place(column * pitch, row * pitch);
          // A dot covers its share of its square; from 78 % on neighbors meet.
          const r = pitch * Math.sqrt(coverAt(x, y) / Math.PI);
          if (r < pitch * 0.03 || x + r < box.left || x - r > box.right || y + r < box.top || y - r > box.bottom) continue;
          const k = r * ROUND;
          pen
            .move(x + r, y)
            .cubic(x + r, y + k, x + k, y + r, x, y + r)
            .cubic(x - k, y + r, x - r, y + k, x - r, y);
          pen
            .cubic(x - r, y - k, x - k, y - r, x, y - r)
            .cubic(x + k, y - r, x + r, y - k, x + r, y)
            .close();
        }
      else {
        // Along a line its width follows the tone; it runs as far as the circle around the box does.
        const v = row * pitch;
        const reach = Math.sqrt(Math.max(0, half * half - v * v));
        if (reach === 0) continue;
        const count = Math.max(1, Math.ceil(reach / Math.max(pitch, run / 12)));
        const widths = Array.from({ length: 2 * count + 1 }, (_, n) => {
          const u = ((n - count) * reach) / count;
          const { x, y } = place(u, v);
          return { u, w: (coverAt(x, y) * pitch) / 2 };
        });
        if (Math.max(...widths.map(({ w }) => w)) < pitch * 0.015) continue;
        widths.forEach(({ u, w }, n) => {
          const { x, y } = place(u, v - w);
          if (n === 0) pen.move(x, y);
          else pen.line(x, y);
        });
        for (const { u, w } of [...widths].reverse()) {
          const { x, y } = place(u, v + w);
          pen.line(x, y);
        }
        pen.close();
      }
    }
    const made: Region = { path: pen.path(), rule: 'nonzero' };
    if (tone.how === 'open') return { ...layers, face: cutAway(layers.face, made, paths) };
    return { ...layers, front: [...layers.front, ...painted(paths.combine('intersect', made, area), tone.paint)] };
  },
};
