import { IDENTITY } from '../../geometry';
import type { Problem } from '../../result/result';
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
  for (const treatment of known) {
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
    const done = hurried ? quick : row.treat;
    const made = context.remember(grown, () => oneColored(treatment, before, done(treatment, before, context)));
    notices.push(...(made.notices ?? []));
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
