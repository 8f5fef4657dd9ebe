import type { Hex } from '../color/hex';
import { IDENTITY, mapPath, type PathAlgebra, type Region } from '../geometry';
import { walkNodes, type Drawing, type DrawingNode } from '../marks';

/**
 * A drawing as machines that cut, stitch and engrave need it: for each color one outline of what is seen of it, nothing lying on anything else,
 * without clips, opacities or gradients. Pictures are not outlines and are left out.
 */
export function weldedOutlines(drawing: Drawing, paths: PathAlgebra): Drawing {
  const leaves: { readonly color: Hex; readonly region: Region }[] = [];
  walkNodes<DrawingNode>(
    drawing.groups,
    (node, { map, around }) => {
      if (node.kind !== 'fill' || node.opacity === 0) return;
      let region: Region = { path: mapPath(node.path, map), rule: node.rule };
      for (const { group, map: own } of around)
        if (group.clip) region = paths.combine('intersect', region, { path: mapPath(group.clip.path, own), rule: group.clip.rule });
      leaves.push({ color: node.color, region });
    },
    { shown: true },
  );
  const seen = new Map<Hex, Region[]>();
  let covered: Region | undefined;
  for (const { color, region } of leaves.reverse()) {
    const visible = covered ? paths.combine('subtract', region, covered) : region;
    seen.set(color, [...(seen.get(color) ?? []), visible]);
    covered = covered ? paths.combine('unite', covered, region) : region;
  }
  return {
    ...drawing,
    groups: [...seen]
      .map(([color, regions]) => ({ color, ...paths.weld(regions) }))
      .filter(({ path }) => path.verbs !== '')
      .map(({ color, path, rule }, index) => ({
        kind: 'group' as const,
        id: `cut-${index + 1}`,
        transform: IDENTITY,
        opacity: 1,
        blend: 'normal' as const,
        children: [{ kind: 'fill' as const, path, rule, color, opacity: 1 }],
      })),
  };
}
