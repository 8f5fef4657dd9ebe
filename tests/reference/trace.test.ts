import { describe, expect, it } from 'vitest';
import { traceGray } from '$core/pictures';
import { DEEP, oneInEvery } from '../support/deep';
import { knownOutlines, likeness, nodesOf, rollsThrough, pixelsOf, tracedElsewhere } from '../support/traced';

const share = (values: readonly number[], part: number): number =>
  [...values].sort((one, other) => one - other)[Math.floor(part * (values.length - 1))] as number;

/**
 * Forms of ours and letters of four faces, turned into pixels and traced back, beside what potrace 1.16 traces of the same pixels; likeness by
 * clipper2. A tip thinner than a pixel is in no picture: the farthest place is asked of
 * outlines that a disk of two pixels can roll through, and around.
 */
describe('tracing', () => {
  const sides = DEEP ? [500, 1000, 2000] : [1000];
  it.each(sides)('finds known outlines again in pictures of %i px, nearer and with fewer nodes than the yardstick', async (side) => {
    const all = await knownOutlines(side);
    expect(all.length).toBeGreaterThanOrEqual(80);
    const known = oneInEvery(6, all);
    const rows = known.map((each) => {
      const gray = pixelsOf(each, side).map((cover) => 1 - cover);
      const path = traceGray(gray, side, side, 0.5, { withinPx: 0.45 });
      const theirs = tracedElsewhere(gray, side, side);
      return {
        ours: likeness({ path, rule: 'evenodd' }, each.region),
        theirs: likeness(theirs, each.region),
        nodes: nodesOf(path),
        nodesThere: nodesOf(theirs.path),
        nodesTrue: nodesOf(each.region.path),
        carried: rollsThrough(each.region, 1, 3),
      };
    });
    const told = {
      iou: share(
        rows.map(({ ours }) => ours.iou),
        0.5,
      ),
      iouThere: share(
        rows.map(({ theirs }) => theirs.iou),
        0.5,
      ),
      far: share(
        rows.map(({ ours }) => ours.deviationPx),
        0.5,
      ),
      farThere: share(
        rows.map(({ theirs }) => theirs.deviationPx),
        0.5,
      ),
      far90: share(
        rows.filter(({ carried }) => carried).map(({ ours }) => ours.deviationPx),
        0.9,
      ),
      carried: rows.filter(({ carried }) => carried).length,
      nodes: rows.reduce((sum, { nodes }) => sum + nodes, 0),
      nodesThere: rows.reduce((sum, { nodesThere }) => sum + nodesThere, 0),
      nodesTrue: rows.reduce((sum, { nodesTrue }) => sum + nodesTrue, 0),
      ratio: share(
        rows.map(({ nodes, nodesTrue }) => nodes / nodesTrue),
        0.5,
      ),
    };
    console.log(side, JSON.stringify(told));
    expect(told.iou).toBeGreaterThanOrEqual(side >= 1000 ? 0.997 : 0.994);
    expect(told.iou).toBeGreaterThan(told.iouThere);
    expect(told.far).toBeLessThanOrEqual(0.5);
    expect(told.far).toBeLessThan(told.farThere);
    expect(told.carried).toBeGreaterThanOrEqual(known.length / 2);
    expect(told.far90).toBeLessThanOrEqual(1);
    expect(told.ratio).toBeLessThanOrEqual(1.3);
    expect(told.nodes).toBeLessThanOrEqual(1.3 * told.nodesTrue);
    expect(told.nodes).toBeLessThan(told.nodesThere);
  });
});
