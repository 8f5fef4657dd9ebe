import { z } from 'zod';
import { etchedLines, quickRim } from '../../engraving';
import { invert, mapPath, shrunk, type Region } from '../../geometry';
import { paintSchema } from '../drawing/paint';
import { plainly, type PaintedNode } from '../drawing/painted';
import type { Problem } from '../../result/result';
import { foundOnce } from '../laying/found-once';
import { mapLeaves } from '../treating/layers';
import { angleDeg, lengthPx, treatmentBase, type Layers, type TreatContext, type Treated, type TreatmentKind } from '../treating/treatment';

export const etchedSchema = z.strictObject({
  ...treatmentBase,
  kind: z.literal('etched'),
  pitchPx: lengthPx(0.5, 500).default(6),
  angleDeg: angleDeg.default(-28),
  bendPercent: z.number().min(0).max(300).default(90),
  depthPercent: z.number().min(0).max(300).default(100),
  tonePercent: z.number().min(-100).max(100).default(0),
  crossed: z.boolean().default(true),
  thinnestPx: lengthPx(0.05, 50).default(0.5),
  rimPx: lengthPx(0.1, 100).default(1.6),
  /** Whether the area under the lines has a paint of its own. */
  ground: z.boolean().default(false),
  paint: paintSchema.default({ role: 'paper' }),
});

/** A filled area as an engraving: lines that wrap it, swell in the shade and taper in the light. */
export const etched: TreatmentKind<typeof etchedSchema> = {
  schema: etchedSchema,
  label: 'Etched',
  words: ['etched', 'etching', 'engraving', 'engraved', 'woodcut', 'vintage', 'banknote', 'crosshatch', 'shaded'],
  hint: 'An engraving: lines that wrap the form, swell in the shade and taper in the light of the whole mark',
  describe: ({ pitchPx, crossed }) => `every ${pitchPx} px${crossed ? ', crossed' : ''}`,
  controls: [
    {
      type: 'number',
      field: 'pitchPx',
      label: 'Pitch',
      unit: 'px',
      step: 0.5,
      hint: 'From one line to the next where the form is flat',
    },
    { type: 'number', field: 'angleDeg', label: 'Angle', unit: '°', step: 5, hint: 'Which way the lines run; 0 is level' },
    {
      type: 'number',
      field: 'bendPercent',
      label: 'Bend',
      unit: '%',
      step: 5,
      hint: 'How far the form bends the lines; 0 leaves them straight',
    },
    { type: 'number', field: 'depthPercent', label: 'Relief', unit: '%', step: 5, hint: 'How high the form rises under the light' },
    { type: 'number', field: 'tonePercent', label: 'Tone', unit: '%', step: 5, hint: 'Darker or lighter on the whole' },
    { type: 'number', field: 'rimPx', label: 'Rim', unit: 'px', step: 0.2, hint: 'The solid line along the edge' },
    { type: 'number', field: 'thinnestPx', label: 'Thinnest', unit: 'px', step: 0.1, hint: 'No line becomes thinner than this' },
    { type: 'tick', field: 'crossed', label: 'Crossed in the shade', hint: 'A second row of lines crosses the dark places' },
    {
      type: 'tick',
      field: 'ground',
      label: 'On a ground',
      hint: 'The area under the lines has a color of its own; without, whatever lies behind shows',
    },
    { type: 'paint', field: 'paint', label: 'Ground', hint: 'What lies under the lines', when: ({ ground }) => ground === true },
  ],
  handles: [{ type: 'turn', angle: 'angleDeg' }],
  inOneColor: 'kept',
  lit: true,
  treat: (etching, layers, context) => engraved(etching, layers, context, false),
  quick: (etching, layers, context) => engraved(etching, layers, context, true),
};

type Etching = z.infer<typeof etchedSchema>;

/** An outline welded, and its rim: neither changes while lines are turned. */
const weldedOf = foundOnce<Region>();
const rimOf = foundOnce<Region>();
/** What an etching left: it is engraved already. */
const lined = new WeakSet<object>();
const ETCHED_ALREADY: Problem = {
  code: 'etched-already',
  message: 'It is etched already, and its lines stay as they are.',
  fix: 'Remove one of the two, or let it come first.',
};

function engraved(etching: Etching, layers: Layers, { paths, light }: TreatContext, quick: boolean): Treated {
  let hasLines = false;
  const face = mapLeaves(layers.face, (leaf, map): readonly PaintedNode[] => {
    const back = invert(map);
    hasLines ||= lined.has(leaf);
    if (!back || leaf.kind === 'picture' || leaf.path.verbs === '' || lined.has(leaf)) return [leaf];
    const place = `${leaf.rule} ${Object.values(map).join()}`;
    const area = weldedOf(leaf.path, place, () => paths.weld([{ path: mapPath(leaf.path, map), rule: leaf.rule }]));
    const engraving = {
      pitch: etching.pitchPx,
      angleDeg: etching.angleDeg,
      bend: etching.bendPercent / 100,
      relief: etching.depthPercent / 100,
      tone: etching.tonePercent / 100,
      crossed: etching.crossed,
      thinnest: etching.thinnestPx,
      rim: etching.rimPx,
      ...{ light, quick },
    };
    const lines = etchedLines(area, engraving);
    const rim = quick
      ? quickRim(area, engraving)
      : rimOf(area.path, String(etching.rimPx), () => paths.combine('subtract', area, shrunk(area, etching.rimPx, paths)));
    const inked = [rim, lines].flatMap(({ path, rule }): readonly PaintedNode[] =>
      path.verbs === '' ? [] : [{ ...leaf, path: mapPath(path, back), rule }],
    );
    const made = etching.ground ? [plainly(leaf, etching.paint), ...inked] : inked;
    for (const each of made) lined.add(each);
    return made;
  });
  return { ...layers, face, ...(hasLines ? { notices: [ETCHED_ALREADY] } : {}) };
}
