import { arcOn, PathPen, toSize } from '../geometry';
import { ellipse } from './ellipse';
import { defineForm, percent, side, sized } from './form';
import { ring as ringPath } from './ring';

export const disk = defineForm({
  label: 'Disk',
  group: 'shape',
  words: ['circle', 'round', 'ellipse', 'oval', 'dot', 'backing'],
  fields: sized(320),
  outline: ({ widthPx, heightPx }) => ellipse(widthPx, heightPx),
});

export const ring = defineForm({
  label: 'Ring',
  group: 'shape',
  words: ['circle', 'round', 'band', 'border', 'frame'],
  fields: { ...sized(320), bandPx: side('Band', 8) },
  outline: ({ widthPx, heightPx, bandPx }) => ringPath(widthPx, heightPx, bandPx),
});

export const halfDisk = defineForm({
  label: 'Half disk',
  group: 'shape',
  words: ['semicircle', 'dome', 'sunrise', 'round'],
  fields: sized(320, 160),
  outline: ({ widthPx, heightPx }) =>
    toSize(arcOn(new PathPen().move(-1, 0), 0, 0, 1, 1, Math.PI, Math.PI).close().path(), widthPx, heightPx),
});

/** A disk less another of the same height, moved aside; the two meet at the horns. */
export const crescent = defineForm({
  label: 'Crescent',
  group: 'shape',
  words: ['moon', 'night', 'sickle', 'round'],
  fields: { ...sized(240, 300), thicknessPercent: percent('Thickness', 30, 5, 95) },
  outline: ({ widthPx, heightPx, thicknessPercent }) => {
    // The inner edge is a flatter ellipse through both horns.
    const inner = 1 - (2 * thicknessPercent) / 100;
    const pen = arcOn(new PathPen().move(0, -1), 0, 0, 1, 1, -Math.PI / 2, -Math.PI);
    arcOn(pen, 0, 0, inner, 1, Math.PI / 2, Math.PI);
    return toSize(pen.close().path(), widthPx, heightPx);
  },
});

/** A pointed drop: two tangents to a circle that meet in a point above it. */
export const drop = defineForm({
  label: 'Drop',
  group: 'shape',
  words: ['water', 'tear', 'oil', 'leaf'],
  fields: { ...sized(200, 300), pointPercent: percent('Point', 60, 20, 90) },
  outline: ({ widthPx, heightPx, pointPercent }) => {
    const top = -1 / Math.cos((pointPercent / 100) * (Math.PI / 2));
    const touch = Math.acos(-1 / top);
    const from = -Math.PI / 2 + touch;
    const pen = new PathPen().move(0, top).line(Math.cos(from), Math.sin(from));
    return toSize(
      arcOn(pen, 0, 0, 1, 1, from, 2 * Math.PI - 2 * touch)
        .close()
        .path(),
      widthPx,
      heightPx,
    );
  },
});

/** Two lobes and a point. */
export const heart = defineForm({
  label: 'Heart',
  group: 'shape',
  words: ['love', 'care', 'wedding'],
  fields: { ...sized(300, 280), cleftPercent: percent('Cleft', 40, 5, 80) },
  outline: ({ widthPx, heightPx, cleftPercent }) => {
    const cleft = -0.9 + cleftPercent / 100;
    return toSize(
      new PathPen()
        .move(0, cleft)
        .cubic(0.15, -0.85, 0.45, -1, 0.7, -1)
        .cubic(1.2, -1, 1.35, -0.35, 1, 0.1)
        .cubic(0.75, 0.45, 0.3, 0.75, 0, 1)
        .cubic(-0.3, 0.75, -0.75, 0.45, -1, 0.1)
        .cubic(-1.35, -0.35, -1.2, -1, -0.7, -1)
        .cubic(-0.45, -1, -0.15, -0.85, 0, cleft)
        .close()
        .path(),
      widthPx,
      heightPx,
    );
  },
});
