import { z } from 'zod';
import { boundsOf, compose, mapPath, readPath, scaling, translation, type Region } from '../../geometry';
import { OWN_WORD } from '../../heraldry';
import type { Kit } from '../building/kit';
import { outlineSchema } from '../parts/art';
import { artSourceSchema } from '../parts/art-source';

/** Longest outline of a piece that is brought to a builder. */
const LONGEST_DATA = 30_000;

/** A drawing that a builder bears, on a shield or behind a letter: what one of it is called, and its outline in one color. */
export const ownPieceSchema = z.strictObject({
  word: z.string().regex(OWN_WORD, 'Expected a name of letters'),
  source: artSourceSchema,
  /** Turned round, so that it looks the other way. */
  turned: z.boolean().default(false),
  pieces: z
    .array(z.strictObject({ data: outlineSchema(LONGEST_DATA), rule: z.enum(['nonzero', 'evenodd']).default('nonzero') }))
    .min(1)
    .max(60)
    .refine((pieces) => pieces.reduce((sum, { data }) => sum + data.length, 0) <= LONGEST_DATA, 'Expected a plainer drawing'),
});
export type OwnPiece = z.infer<typeof ownPieceSchema>;

/** The outline of a piece that was brought, united, on its own center. */
export function ownOutline(kit: Kit, { pieces, turned }: OwnPiece): Region | undefined {
  const { paths, remember } = kit.context;
  return remember(`own piece ${turned} ${JSON.stringify(pieces)}`, () => {
    const regions = pieces.flatMap(({ data, rule }) => {
      const path = readPath(data);
      return path ? [{ path, rule }] : [];
    });
    const welded = paths.weld(regions);
    const box = boundsOf(welded.path);
    if (!box) return undefined;
    const map = compose(scaling(turned ? -1 : 1, 1), translation(-(box.left + box.right) / 2, -(box.top + box.bottom) / 2));
    return { path: mapPath(welded.path, map), rule: welded.rule };
  });
}
