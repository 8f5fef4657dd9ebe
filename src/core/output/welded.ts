import type { Hex } from '../color/hex';
import { areApart, boundsOf, IDENTITY, mapPath, type PathAlgebra, united, type Region } from '../geometry';
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
  for (const [at, { color, region }] of [...leaves.entries()].reverse()) {
    const box = boundsOf(region.path);
    // Only what lies over it takes from it: of many parts most stand elsewhere.
    const over = leaves.slice(at + 1).flatMap((front) => (!areApart(box, boundsOf(front.region.path)) ? [front.region] : []));
    const visible = over.length > 0 ? paths.combine('subtract', region, united(over, paths)) : region;
    seen.set(color, [...(seen.get(color) ?? []), visible]);
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
