import type { EntityManager } from '@mikro-orm/postgresql';
import { formatOf, swatchColor, type Canvas, type Problem, type WantedFile } from '$core/index';
import { Brand, Handover, type HandoverBasis } from '../database/entities';
import { unitOfWork } from '../database/orm';
import { tellMoved } from '../events';
import type { FileOrder, PictureSubject } from '../formats';
import { goodsOrder } from '../goods/pack-order';
import { storeFile } from '../files';
import { heavy } from '../heavy/pool';
import { ProblemError } from '../http/problem-error';
import { asRefusal } from '../http/refusals';
import { PACK_FILES } from '../jobs/queue';
import { mayPass, settleRow, takeRow } from '../jobs/row';
import type { MakeFile } from '../jobs/worker';
import { picturesOf, standingAt, type Standing } from './subjects';

/** What a worker remembers of the pack that it works at: its files come one after the other. */
const standings = new Map<string, Standing>();
const STANDINGS_KEPT = 8;

async function standingOf(
  em: EntityManager,
  brand: { readonly id: string; readonly slug: string },
  handover: string,
  basis: HandoverBasis,
): Promise<Standing> {
  const known = standings.get(handover);
  if (known) return known;
  const fresh = await standingAt(em, brand, basis);
  const oldest = standings.keys().next();
  if (standings.size >= STANDINGS_KEPT && !oldest.done) standings.delete(oldest.value);
  standings.set(handover, fresh);
  return fresh;
}

/** What is drawn for a file of a pack. @param mark one of those that it shows @throws a refusal where its mark is gone */
export async function subjectOf(
  em: EntityManager,
  brand: { readonly id: string; readonly slug: string; readonly name: string },
  standing: Standing,
  wanted: WantedFile,
  mark = wanted.mark,
): Promise<PictureSubject> {
  const recipe = standing.recipes.get(mark);
  if (!recipe)
    throw new ProblemError(422, [{ code: 'no-such-mark', message: 'The mark of this file is gone.', fix: 'Plan the pack without it.' }]);
  return {
    title: `${brand.name}, ${(standing.names.get(mark) ?? 'mark').toLowerCase()}`,
    recipe,
    sources: standing.recipes,
    palette: standing.palette,
    dressing: wanted.dressing,
    ownFamilies: standing.ownFamilies,
    ownPictures: await picturesOf(em, brand.id, standing, mark),
  };
}

/** How a file of a pack is asked for. */
export const orderOf = (wanted: WantedFile, standing: Pick<Standing, 'palette'>): FileOrder => ({
  canvas: wanted.canvas,
  ground: wanted.ground === null ? undefined : swatchColor(standing.palette, wanted.ground),
  ...(wanted.colors ? { colors: wanted.colors } : {}),
  exact: wanted.exact,
  welded: wanted.welded,
});

/** A file with more pixels than this is made alone. */
const LARGE_PIXELS = 26_000_000;

/** About how many pixels a file has. */
export function pixelsOf({ width, height, unit, dpi = 300 }: Canvas): number {
  const perUnit = unit === 'px' ? 1 : dpi / (unit === 'mm' ? 25.4 : 1);
  return (width ?? height ?? 0) * (height ?? width ?? 0) * perUnit * perUnit;
}

interface Taken {
  readonly id: string;
  readonly wanted: WantedFile;
  readonly handover: string;
  readonly tries: number;
}

/** Says to whoever looks on that a pack has come along. */
const tell = (em: EntityManager, handover: string) => tellMoved(em, { subject: `handover:${handover}`, revision: 0 });

/**
 * Makes one file of a pack: drawn at the revisions that its pack began from, written, opened again, kept, and only then said to be done.
 */
export const makeFile: MakeFile = async (file, job, worker, alone) => {
  const taken = await takeRow<Taken>(PACK_FILES, '"id", "wanted", "handover_id" as "handover", "tries"', file, job, worker);
  if (!taken) return;
  const em = await unitOfWork();
  await tell(em, taken.handover);
  const settle = async (columns: string, values: readonly unknown[]) => {
    await settleRow(PACK_FILES, file, job, worker, columns, values);
    await tell(em, taken.handover);
  };
  const fail = (problems: readonly Problem[], verdict: unknown = null) =>
    settle(`"state" = 'failed', "reason" = $4, "verdict" = $5, "made_at" = now()`, [
      JSON.stringify(problems),
      verdict && JSON.stringify(verdict),
    ]);
  try {
    const handover = await em.findOneOrFail(Handover, { id: taken.handover });
    const brand = await em.findOneOrFail(Brand, { id: handover.brand.id });
    const standing = await standingOf(em, brand, handover.id, handover.basis);
    const subject = await subjectOf(em, brand, standing, taken.wanted);
    const { format, canvas, pages } = taken.wanted;
    const more = [];
    for (const mark of pages ?? []) more.push(await subjectOf(em, brand, standing, taken.wanted, mark));
    const order = { ...orderOf(taken.wanted, standing), ...(more.length > 0 ? { pages: more } : {}) };
    const { goods } = taken.wanted;
    const onGoods = goods && (await goodsOrder(em, brand.slug, taken.wanted, goods, standing.palette));
    const sheet = onGoods && goods.beside && [{ subject, order: onGoods }];
    for (const { dressing, ...beside } of goods?.beside ?? [])
      sheet?.push({
        subject: await subjectOf(em, brand, standing, { ...taken.wanted, dressing }),
        order: await goodsOrder(em, brand.slug, taken.wanted, beside, standing.palette),
      });
    const make = () => {
      if (sheet)
        return heavy('packedSheet', {
          order: { goods: sheet, widthPx: canvas.width ?? 1, heightPx: canvas.height ?? 1, ground: standing.palette.paper },
        });
      return onGoods ? heavy('packedGoods', { subject, order: onGoods }) : heavy('packed', { format, subject, order });
    };
    const isLarge = formatOf(format).pixels && pixelsOf(canvas) > LARGE_PIXELS;
    const { verdict, sizeBytes, kept } = await (isLarge ? alone(make) : make());
    if (!kept) {
      const wrong = verdict.checks.filter(({ passes: right }) => !right).map(({ message }) => message);
      await fail(
        [
          {
            code: 'not-verified',
            message: `Opened again, it was not right: ${wrong.join('; ')}.`,
            fix: 'Try again; if it stays so, choose another size or format.',
          },
        ],
        verdict,
      );
      return;
    }
    await settle(`"state" = 'done', "sha256" = $4, "size_bytes" = $5, "verdict" = $6, "reason" = null, "made_at" = now()`, [
      await storeFile(kept),
      sizeBytes,
      JSON.stringify(verdict),
    ]);
  } catch (error) {
    if (mayPass(error)) throw error;
    await fail(asRefusal(error).problems);
  }
};
