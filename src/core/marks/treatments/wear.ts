import { z } from 'zod';
import { ownTextureSchema, TEXTURE_NAMES, textureFrom, textureOf, wornRegion, type Texture } from '../../fields';
import type { Problem } from '../../result/result';
import { paintSchema } from '../drawing/paint';
import { boundsOf, grow, IDENTITY, joinPaths, PathPen, unite, type Bounds, type Path } from '../../geometry';
import type { PaintedGroup } from '../drawing/painted';
import { cutAway, outlinesOf, painted, silhouette } from '../treating/layers';
import {
  angleDeg,
  lengthPx,
  percent,
  treatmentBase,
  type Layers,
  type TreatContext,
  type Treated,
  type TreatmentKind,
} from '../treating/treatment';

/** So many outlines are cut one by one. */
const MOST_CUT = 24;
const boxPath = ({ left, top, right, bottom }: Bounds): Path =>
  new PathPen().move(left, top).line(right, top).line(right, bottom).line(left, bottom).close().path();

const HOWS = ['erase', 'tone', 'multiply', 'screen'] as const;
/** Ways that lie over it, as they are said. */
const SAID = { erase: 'taken away', tone: 'laid over', multiply: 'multiplied', screen: 'screened' } as const;
const lies = ({ how }: Readonly<Record<string, unknown>>): boolean => how !== 'erase';

export const wearSchema = z.strictObject({
  ...treatmentBase,
  kind: z.literal('wear'),
  /** One of ours, or `own`: a picture that was brought in. */
  texture: z.enum(['own', ...TEXTURE_NAMES]).default('worn'),
  own: ownTextureSchema.exactOptional(),
  how: z.enum(HOWS).default('erase'),
  amountPercent: percent.default(14),
  grainPx: lengthPx(0.5, 2000).default(3),
  angleDeg: angleDeg.default(0),
  keepPx: lengthPx(0, 200).default(2),
  opacityPercent: percent.default(30),
  paint: paintSchema.default({ role: 'ink' }),
  seed: z.number().int().min(0).max(999_999).default(1),
});

/** The texture that is worn; nothing where a picture is still to be chosen. */
const textureOn = ({ texture, own }: z.infer<typeof wearSchema>): Texture | undefined =>
  texture === 'own' ? own && textureFrom(own) : textureOf(texture);
const NO_TEXTURE: Problem = {
  code: 'no-texture',
  message: 'The wear has no picture yet, so that nothing is worn.',
  fix: 'Bring a picture in, or choose one of our textures.',
};

/** Age: a texture that takes away, or lies over, a share of what is there. */
export const wear: TreatmentKind<typeof wearSchema> = {
  schema: wearSchema,
  label: 'Wear',
  words: ['texture', 'distress', 'grunge', 'vintage', 'old', 'worn', 'scratch', 'grain', 'erase', 'halftone', 'linen', 'stipple'],
  hint: 'A texture of age, made from a seed: it takes a measured share away, clear through, or lays it over in a tone that darkens or lightens',
  describe: (wear) => `${textureOn(wear)?.label.toLowerCase() ?? 'no texture yet'}, ${wear.amountPercent} % ${SAID[wear.how]}`,
  controls: [
    {
      type: 'choice',
      field: 'texture',
      label: 'Texture',
      hint: 'What the wear looks like',
      options: [
        ...TEXTURE_NAMES.map((value) => ({ value, label: textureOf(value).label.toLowerCase() })),
        { value: 'own', label: 'a picture of your own' },
      ],
    },
    {
      type: 'texture',
      field: 'own',
      label: 'Picture',
      hint: 'A photo or scan of something worn, printed or torn: its dark places are worn first',
      when: ({ texture }) => texture === 'own',
    },
    {
      type: 'choice',
      field: 'how',
      label: 'It',
      hint: 'Takes away, clear through to what lies behind; or lies over it in a tone: as it is, darkening or lightening what it lies on',
      options: [
        { value: 'erase', label: 'takes away' },
        { value: 'tone', label: 'lies over' },
        { value: 'multiply', label: 'multiplies (darkens)' },
        { value: 'screen', label: 'screens (lightens)' },
      ],
    },
    { type: 'number', field: 'amountPercent', label: 'Share', unit: '%', hint: 'How much of the area it takes' },
    { type: 'number', field: 'grainPx', label: 'Grain', unit: 'px', hint: 'How large one grain is' },
    { type: 'number', field: 'angleDeg', label: 'Turn', unit: '°', hint: 'How the texture is turned' },
    { type: 'number', field: 'keepPx', label: 'Spare', unit: 'px', hint: 'Strokes and dots thinner than this stay whole' },
    {
      type: 'number',
      field: 'opacityPercent',
      label: 'Opacity',
      unit: '%',
      hint: 'How strong the tone is',
      when: lies,
    },
    { type: 'paint', field: 'paint', label: 'Color', hint: 'What the tone is painted with', when: lies },
    { type: 'number', field: 'seed', label: 'Seed', hint: 'Another number is another piece of the same texture' },
  ],
  seenInOwnColor: true,
  inOneColor: 'kept',
  treat: (wear, layers, context) => worn(wear, layers, context, false),
  quick: (wear, layers, context) => worn(wear, layers, context, true),
};

function worn(wear: z.infer<typeof wearSchema>, layers: Layers, { paths }: TreatContext, quick: boolean): Treated {
  const texture = textureOn(wear);
  if (!texture) return { ...layers, notices: [NO_TEXTURE] };
  const area = silhouette(layers, paths);
  const off = wornRegion(area, {
    texture,
    amount: wear.amountPercent / 100,
    grain: wear.grainPx,
    turnDeg: wear.angleDeg,
    seed: wear.seed,
    keep: wear.keepPx,
    quick,
  });
  if (off.path.verbs === '') return layers;
  if (wear.how !== 'erase') {
    const tone = painted(paths.combine('intersect', off, area), wear.paint, wear.opacityPercent / 100);
    const blended: PaintedGroup | undefined =
      wear.how === 'tone' ? undefined : { kind: 'group', id: '', transform: IDENTITY, opacity: 1, blend: wear.how, children: tone };
    return { ...layers, front: [...layers.front, ...(blended ? [blended] : tone)] };
  }
  // A few outlines are cut themselves; many are seen through one that is open where nothing is worn: the same picture, and far quicker.
  const few = !quick && outlinesOf(layers).length <= MOST_CUT;
  const box = boundsOf(off.path);
  const whole = boundsOf(area.path);
  const both = box && whole ? unite(box, whole) : undefined;
  const all = both && grow(both, 10 + wear.grainPx);
  const open = all && joinPaths([boxPath(all), off.path]);
  const cut = (nodes: typeof layers.face): typeof layers.face =>
    few || !open
      ? cutAway(nodes, off, paths)
      : nodes.length === 0
        ? nodes
        : [
            {
              ...{ kind: 'group', id: '', transform: IDENTITY, opacity: 1, blend: 'normal' },
              clip: { path: open, rule: 'evenodd' },
              children: nodes,
            },
          ];
  return { ...layers, behind: cut(layers.behind), face: cut(layers.face), front: cut(layers.front) };
}
