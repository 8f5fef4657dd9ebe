import { IDENTITY } from '../../geometry';
import type { Problem } from '../../result/result';
import { walkNodes } from '../drawing/drawing';
import type { PaintedGroup, PaintedNode } from '../drawing/painted';
import { allOf, layersOf } from './layers';
import { isKnownTreatment, notUnderstoodTreatment, treatmentRow, type KnownTreatment, type Treatment } from './registry';
import type { Layers, TreatContext, Treated } from './treatment';

/** A picture with its treatments. */
export interface TreatedPicture {
  /** The picture as it was, where nothing is done to it; else one group that holds what is seen and the body that others see. */
  readonly nodes: readonly PaintedNode[];
  readonly notices: readonly Problem[];
  /** Whether some of it is only a quick picture of what it will be. */
  readonly rough: boolean;
}

/** Nodes that a treatment added, marked with what becomes of them where there is one color. */
const marked = (added: readonly PaintedNode[], { kind }: KnownTreatment): readonly PaintedNode[] => {
  const { inOneColor } = treatmentRow(kind);
  if (inOneColor === 'kept' || added.length === 0) return added;
  return [{ kind: 'group', id: '', transform: IDENTITY, opacity: 1, blend: 'normal', oneColor: inOneColor, children: added }];
};

/** A picture of more points than this is not treated once more: every treatment may double it. */
const MOST_POINTS = 100_000;
const TOO_MUCH: Problem = {
  code: 'treated-too-much',
  message: 'So many points have come of its treatments that the later ones are left out.',
  fix: 'Remove some of its treatments, or put those that multiply it last.',
};
function pointsOf(layers: Layers): number {
  let points = 0;
  walkNodes(
    allOf(layers),
    ({ path }) => {
      points += path.coords.length / 2;
    },
    { shown: true },
  );
  return points;
}

/** The same, with outlines combined unchecked; what is remembered of that is kept apart. */
const unchecked = (context: TreatContext): TreatContext => ({
  ...context,
  paths: context.paths.unchecked ?? context.paths,
  remember: (key, make) => context.remember(`unchecked ${key}`, make),
});

/**
 * A picture with its treatments, each done to what the one before it left. Every step is remembered by what it depends on, so that an edit of
 * one is drawn from there on only.
 * @param key names the picture among all that are remembered
 */
export function treat(nodes: readonly PaintedNode[], treatments: readonly Treatment[], key: string, context: TreatContext): TreatedPicture {
  const shown = treatments.filter(({ hidden }) => !hidden);
  const notices: Problem[] = [];
  if (treatments.some((treatment) => !isKnownTreatment(treatment))) notices.push(notUnderstoodTreatment);
  const known = shown.filter(isKnownTreatment);
  if (known.length === 0) return { nodes, notices, rough: false };
  let rough = false;
  let layers: Layers = layersOf(nodes);
  let grown = `treated ${key}`;
  for (const [place, treatment] of known.entries()) {
    // The first one may work on whatever the part is.
    if (place > 0 && pointsOf(layers) > MOST_POINTS) {
      notices.push(TOO_MUCH);
      break;
    }
    const { id: _id, hidden: _hidden, ...numbers } = treatment;
    const row = treatmentRow(treatment.kind);
    grown += ` ${JSON.stringify(numbers)}${row.lit ? JSON.stringify(context.light) : ''}`;
    const before = layers;
    const { quick } = row;
    const hurried = quick !== undefined && context.isKept?.(grown) === false;
    if (hurried) {
      grown += ' quick';
      rough = true;
    }
    const done = hurried && quick !== 'unchecked' ? quick : row.treat;
    const tools = hurried && quick === 'unchecked' ? unchecked(context) : context;
    const made = context.remember(grown, () => oneColored(treatment, before, done(treatment, before, tools)));
    notices.push(...(made.notices ?? []).filter((notice) => !notices.includes(notice)));
    layers = made;
  }
  const group: PaintedGroup = {
    kind: 'group',
    id: '',
    transform: IDENTITY,
    opacity: 1,
    blend: 'normal',
    ...(layers.carves ? { carves: layers.carves } : {}),
    ...(layers.shades ? { shades: layers.shades } : {}),
    body: nodes,
    children: allOf(layers),
  };
  return { nodes: [group], notices, rough };
}

/** What a treatment leaves, with all that it added marked for one color. */
function oneColored(treatment: KnownTreatment, before: Layers, made: Treated): Treated {
  if (treatmentRow(treatment.kind).inOneColor === 'kept') return made;
  const old = new Set<PaintedNode>([...before.behind, ...before.front]);
  const own = (nodes: readonly PaintedNode[]): readonly PaintedNode[] => {
    const added = nodes.filter((node) => !old.has(node));
    const kept = nodes.filter((node) => old.has(node));
    // Added behind stands first, in front last.
    return nodes === made.behind ? [...marked(added, treatment), ...kept] : [...kept, ...marked(added, treatment)];
  };
  return { ...made, behind: own(made.behind), front: own(made.front) };
}
