import { arcOn, joinPaths, PathPen, polygonPath, roundedPolygon, toSize, type Point } from '../geometry';
import { count, defineForm, length, levelLine, percent, sized } from './form';
import { rectangle } from './rectangle';

export const panel = defineForm({
  label: 'Panel',
  group: 'shape',
  words: ['rectangle', 'square', 'box', 'bar', 'label', 'rounded'],
  fields: { ...sized(520, 180), cornerPx: length('Corner', 0) },
  outline: ({ widthPx, heightPx, cornerPx }) => rectangle(widthPx, heightPx, cornerPx),
  textLine: ({ widthPx, heightPx }) => levelLine(-widthPx / 2, widthPx / 2, 0, heightPx),
});

/** Rules in columns and rows within a frame; cells are holes, so that no line lies over another. */
export const table = defineForm({
  label: 'Grid of rules',
  group: 'shape',
  words: ['table', 'cells', 'columns', 'rows', 'lattice', 'calendar', 'price list', 'frame'],
  fields: {
    ...sized(480, 320),
    columns: count('Columns', 3, 1, 60),
    rows: count('Rows', 4, 1, 60),
    weightPx: length('Weight', 3, 0.1),
    framePercent: percent('Frame', 100, 10, 1000),
  },
  outline: ({ widthPx, heightPx, columns, rows, weightPx, framePercent }) => {
    const frame = (weightPx * framePercent) / 100;
    const [across, down] = [Math.round(columns), Math.round(rows)];
    const [wide, high] = [(widthPx - 2 * frame - (across - 1) * weightPx) / across, (heightPx - 2 * frame - (down - 1) * weightPx) / down];
    const outer = rectangle(widthPx, heightPx, 0);
    // Rules that leave no room between them are one plate.
    if (wide <= 0 || high <= 0) return outer;
    const pen = new PathPen();
    for (let row = 0; row < down; row++)
      for (let column = 0; column < across; column++) {
        const [left, top] = [-widthPx / 2 + frame + column * (wide + weightPx), -heightPx / 2 + frame + row * (high + weightPx)];
        // The other way around than the plate: a hole by either fill rule.
        pen
          .move(left, top)
          .line(left, top + high)
          .line(left + wide, top + high)
          .line(left + wide, top)
          .close();
      }
    return joinPaths([outer, pen.path()]);
  },
});

/** A rectangle with its corners cut off at 45°. */
export const chamfered = defineForm({
  label: 'Chamfered panel',
  group: 'shape',
  words: ['rectangle', 'octagon', 'label', 'plate', 'bevel', 'cut corners'],
  fields: { ...sized(520, 180), cornerPx: length('Corner', 36) },
  outline: ({ widthPx, heightPx, cornerPx }) => {
    const [x, y] = [widthPx / 2, heightPx / 2];
    const c = Math.min(cornerPx, x, y);
    return polygonPath([
      { x: -x + c, y: -y },
      { x: x - c, y: -y },
      { x, y: -y + c },
      { x, y: y - c },
      { x: x - c, y },
      { x: -x + c, y },
      { x: -x, y: y - c },
      { x: -x, y: -y + c },
    ]);
  },
  textLine: ({ widthPx, heightPx }) => levelLine(-widthPx / 2, widthPx / 2, 0, heightPx),
});

/** A rectangle with a quarter of a circle bitten out of every corner. */
export const ticket = defineForm({
  label: 'Ticket panel',
  group: 'shape',
  words: ['rectangle', 'label', 'notched', 'plaque', 'concave corners'],
  fields: { ...sized(520, 180), cornerPx: length('Corner', 32) },
  outline: ({ widthPx, heightPx, cornerPx }) => {
    const [x, y] = [widthPx / 2, heightPx / 2];
    const r = Math.min(cornerPx, x, y);
    const pen = new PathPen().move(-x + r, -y).line(x - r, -y);
    arcOn(pen, x, -y, r, r, Math.PI, -Math.PI / 2).line(x, y - r);
    arcOn(pen, x, y, r, r, -Math.PI / 2, -Math.PI / 2).line(-x + r, y);
    arcOn(pen, -x, y, r, r, 0, -Math.PI / 2).line(-x, -y + r);
    return arcOn(pen, -x, -y, r, r, Math.PI / 2, -Math.PI / 2)
      .close()
      .path();
  },
  textLine: ({ widthPx, heightPx }) => levelLine(-widthPx / 2, widthPx / 2, 0, heightPx),
});

/** A window: straight sides under a round or pointed arch. */
export const arch = defineForm({
  label: 'Arch',
  group: 'shape',
  words: ['window', 'door', 'gothic', 'tombstone', 'church', 'panel'],
  fields: { ...sized(260, 380), pointPercent: percent('Point', 0) },
  outline: ({ widthPx, heightPx, pointPercent }) => {
    // Two circles of one radius, each through the far springing point: from a half circle to an equilateral pointed arch.
    const half = widthPx / 2;
    const radius = half * (1 + pointPercent / 100);
    const rise = Math.sqrt(radius * radius - (radius - half) ** 2);
    const spring = Math.min(rise, heightPx);
    const ry = (radius * spring) / rise;
    const turn = Math.acos((radius - half) / radius);
    const top = -heightPx / 2 + spring;
    const pen = new PathPen().move(-half, heightPx / 2).line(-half, top);
    arcOn(pen, -half + radius, top, radius, ry, Math.PI, turn);
    arcOn(pen, half - radius, top, radius, ry, -turn, turn);
    return pen
      .line(half, heightPx / 2)
      .close()
      .path();
  },
  // Under the springing of the arch, where the sides are straight; the upper third of what is left.
  textLine: ({ widthPx, heightPx, pointPercent }) => {
    const radius = (widthPx / 2) * (1 + pointPercent / 100);
    const spring = Math.min(Math.sqrt(radius * radius - (radius - widthPx / 2) ** 2), heightPx * 0.7);
    const room = heightPx - spring;
    return levelLine(-widthPx / 2, widthPx / 2, -heightPx / 2 + spring + room / 2, room);
  },
});

const around = (corners: number, radius: (index: number) => number, first = -Math.PI / 2): readonly Point[] =>
  Array.from({ length: corners }, (_, index) => {
    const turn = first + (2 * Math.PI * index) / corners;
    return { x: radius(index) * Math.cos(turn), y: radius(index) * Math.sin(turn) };
  });

/** A regular polygon, a corner on top, its corners rounded by a share of what there is room for. */
export const polygon = defineForm({
  label: 'Polygon',
  group: 'shape',
  words: ['triangle', 'pentagon', 'hexagon', 'octagon', 'diamond', 'lozenge', 'sides'],
  fields: { ...sized(320), corners: count('Corners', 6, 3, 64), roundPercent: percent('Rounded', 0) },
  outline: ({ widthPx, heightPx, corners, roundPercent }) => {
    const n = Math.round(corners);
    const most = Math.cos(Math.PI / n);
    return toSize(
      roundedPolygon(
        around(n, () => 1),
        (most * roundPercent) / 100,
      ),
      widthPx,
      heightPx,
    );
  },
});

export const star = defineForm({
  label: 'Star',
  group: 'shape',
  words: ['points', 'sparkle', 'rating', 'sheriff', 'sky'],
  fields: {
    ...sized(320),
    points: count('Points', 5, 3, 120),
    depthPercent: percent('Depth', 50, 2, 95),
    roundPercent: percent('Rounded', 0),
  },
  outline: ({ widthPx, heightPx, points, depthPercent, roundPercent }) => {
    const n = Math.round(points);
    const inner = 1 - depthPercent / 100;
    return toSize(
      roundedPolygon(
        around(2 * n, (index) => (index % 2 === 0 ? 1 : inner)),
        (0.3 * roundPercent) / 100 / Math.sqrt(n),
      ),
      widthPx,
      heightPx,
    );
  },
});

/** A seal with round bumps: arcs outward that meet in notches on a circle. */
export const scallop = defineForm({
  label: 'Scalloped seal',
  group: 'shape',
  words: ['seal', 'badge', 'flower', 'cookie', 'stamp', 'edge', 'lace'],
  fields: { ...sized(340), bumps: count('Bumps', 16, 3, 120), depthPercent: percent('Depth', 60, 5, 100) },
  outline: ({ widthPx, heightPx, bumps, depthPercent }) => {
    const n = Math.round(bumps);
    const half = Math.PI / n;
    // Chord between two notches; a depth of 100 % makes every bump a half circle.
    const chord = Math.sin(half);
    const sag = (chord * depthPercent) / 100;
    const radius = (chord * chord + sag * sag) / (2 * sag);
    const off = Math.cos(half) + sag - radius;
    const turn = 2 * Math.asin(Math.min(1, chord / radius));
    const pen = new PathPen();
    for (let index = 0; index < n; index++) {
      const middle = -Math.PI / 2 + index * 2 * half;
      if (index === 0) pen.move(Math.cos(middle - half), Math.sin(middle - half));
      arcOn(pen, off * Math.cos(middle), off * Math.sin(middle), radius, radius, middle - turn / 2, turn);
    }
    return toSize(pen.close().path(), widthPx, heightPx);
  },
});

/** A cross with arms of one thickness. */
export const cross = defineForm({
  label: 'Cross',
  group: 'shape',
  words: ['plus', 'medical', 'church', 'x'],
  fields: { ...sized(280), armPercent: percent('Arms', 33, 3, 95) },
  outline: ({ widthPx, heightPx, armPercent }) => {
    const arm = armPercent / 100;
    const corners: Point[] = [];
    for (const [sx, sy, upright] of [
      [1, -1, false],
      [1, 1, true],
      [-1, 1, false],
      [-1, -1, true],
    ] as const) {
      const outer = upright
        ? [
            { x: sx, y: sy * arm },
            { x: sx * arm, y: sy * arm },
            { x: sx * arm, y: sy },
          ]
        : [
            { x: sx * arm, y: sy },
            { x: sx * arm, y: sy * arm },
            { x: sx, y: sy * arm },
          ];
      corners.push(...outer);
    }
    return toSize(polygonPath(corners), widthPx, heightPx);
  },
});
