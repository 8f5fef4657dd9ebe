import { randomUUID } from 'node:crypto';
import type { EntityManager } from '@mikro-orm/postgresql';
import { z } from 'zod';
import { handoverPlanSchema, PROCESS_NAMES, wantedFileSchema, type ProcessName } from '$core/index';
import { Handover, HandoverFile, PrintOrder, type HandoverBasis } from '../database/entities';
import { at, atOrNull, basis, date, made, number, sha256, stored, text, type PutRow } from './fields';

/**
 * The finished files of the newest packs go along, up to so many bytes. Others are named, with all that they are made from: they are made again,
 * from the same revisions, when somebody asks for them.
 */
export const PACKED_ALONG_BYTES = 96 * 1024 * 1024;

/** Kept as it was written, whatever its readers would fill in. */
const readBy = (schema: z.ZodType, what: string) => stored.refine((value) => schema.safeParse(value).success, `This is no ${what}.`);
const problem = z.strictObject({
  code: text(80),
  message: text(2000),
  fix: text(2000).optional(),
  path: z
    .array(z.union([text(200), z.number()]))
    .max(50)
    .optional(),
});

const order = z.strictObject({
  process: z.enum(PROCESS_NAMES as readonly [ProcessName, ...ProcessName[]]),
  wanted: stored,
  answer: z.looseObject({ accepted: z.boolean(), reasons: z.array(z.looseObject({ message: text(2000) })).max(1000) }),
  askedAt: date,
  dueAt: date.nullable(),
  answeredAt: date,
});

const packedFile = z
  .strictObject({
    /** A path within the pack, never out of it. */
    name: z.string().regex(/^[a-z0-9-]{1,120}\/[a-z0-9-]{1,160}\.[a-z0-9]{2,5}$/),
    wanted: readBy(wantedFileSchema, 'file of a pack'),
    basis: z.strictObject({ ...basis, digest: sha256 }),
    state: z.enum(['done', 'failed', 'stopped']),
    sha256: sha256.nullable(),
    sizeBytes: z.number().int().min(0).nullable(),
    verdict: z
      .strictObject({
        passes: z.boolean(),
        checks: z.array(z.strictObject({ id: text(80), passes: z.boolean(), message: text(2000) })).max(200),
      })
      .nullable(),
    reason: z.array(problem).max(20).nullable(),
    madeAt: date.nullable(),
    /** What the print desk has answered about it. */
    orders: z.array(order).max(1000),
  })
  .refine(({ state, sha256: digest }) => (state === 'done') === (digest !== null), 'A file is there exactly when it is done.');

export const packSchema = z.strictObject({
  id: z.uuid(),
  number,
  name: text(200),
  plan: readBy(handoverPlanSchema, 'plan of packs'),
  basis: z.strictObject(basis),
  ...made,
  removedAt: date.nullable(),
  files: z.array(packedFile).max(1000),
});
export type FiledPack = z.infer<typeof packSchema>;

/** The packs of a brand as its file has them, the oldest first. */
export async function packsOf(em: EntityManager, brand: string): Promise<FiledPack[]> {
  let bytes = 0;
  /** One file may be in many packs, and lies in the brand file once. */
  const along = new Set<string>();
  const packs: FiledPack[] = [];
  for (const row of await em.fork().find(Handover, { brand }, { orderBy: { number: 'desc' } })) {
    const files = await em.fork().find(HandoverFile, { handover: row.id }, { orderBy: { position: 'asc' } });
    const orders = await em
      .fork()
      .find(PrintOrder, { handoverFile: { handover: row.id }, answeredAt: { $ne: null } }, { orderBy: { askedAt: 'asc', id: 'asc' } });
    const filed = files.map((file): FiledPack['files'][number] => {
      const { sha256: digest, sizeBytes } = file;
      const isThere = typeof digest === 'string' && along.has(digest);
      const goesAlong = typeof digest === 'string' && (isThere || bytes + (sizeBytes ?? 0) <= PACKED_ALONG_BYTES);
      if (goesAlong && !isThere) {
        along.add(digest);
        bytes += sizeBytes ?? 0;
      }
      return {
        name: file.name,
        wanted: file.wanted as unknown as Record<string, unknown>,
        basis: { palette: file.basis.palette, marks: { ...file.basis.marks }, digest: file.basis.digest },
        state: goesAlong ? 'done' : file.state === 'failed' ? 'failed' : 'stopped',
        sha256: goesAlong ? digest : null,
        sizeBytes: goesAlong ? (sizeBytes ?? null) : null,
        verdict: goesAlong || file.state === 'failed' ? (file.verdict as FiledPack['files'][number]['verdict']) : null,
        reason: file.state === 'failed' ? (file.reason as FiledPack['files'][number]['reason']) : null,
        madeAt: goesAlong || file.state === 'failed' ? atOrNull(file.madeAt) : null,
        orders: orders.flatMap((each) =>
          each.handoverFile.id === file.id && each.answeredAt
            ? [
                {
                  process: each.process as ProcessName,
                  wanted: each.wanted as Record<string, unknown>,
                  answer: each.answer as FiledPack['files'][number]['orders'][number]['answer'],
                  askedAt: at(each.askedAt),
                  dueAt: atOrNull(each.dueAt),
                  answeredAt: at(each.answeredAt),
                },
              ]
            : [],
        ),
      };
    });
    packs.unshift({
      ...{ id: row.id, number: row.number, name: row.name, plan: row.plan as Record<string, unknown> },
      basis: { palette: row.basis.palette, marks: { ...row.basis.marks } },
      ...{ madeBy: row.madeBy, madeFrom: row.madeFrom, createdAt: at(row.createdAt), removedAt: atOrNull(row.removedAt) },
      files: filed,
    });
  }
  return packs;
}

/** What of the packs does not fit the rest of the file, in words; nothing where all does. @param holds whether the file has these revisions */
export function wrongWithPacks(packs: readonly FiledPack[], holds: (shown: HandoverBasis) => boolean): string | undefined {
  for (const [at, pack] of packs.entries()) {
    if (pack.number <= (packs[at - 1]?.number ?? 0)) return 'its packs are not in their order.';
    if (new Set(pack.files.map(({ name }) => name)).size < pack.files.length) return `a file of the pack “${pack.name}” is in it twice.`;
    if (![pack.basis, ...pack.files.map((file) => file.basis)].every(holds))
      return `the pack “${pack.name}” shows revisions that are not in it.`;
  }
  return new Set(packs.map(({ id }) => id)).size < packs.length ? 'it holds a pack twice.' : undefined;
}

/** Writes the packs of a brand that is taken in. */
export async function putPacks(put: PutRow, brand: string, packs: readonly FiledPack[]): Promise<void> {
  for (const { files, basis: shown, id, number: place, name, plan, madeBy, madeFrom, createdAt, removedAt } of packs) {
    await put('handover', {
      ...{ id, brand_id: brand, number: place, name, plan, basis: shown },
      ...{ made_by: madeBy, made_from: madeFrom, created_at: createdAt, removed_at: removedAt },
    });
    for (const [position, file] of files.entries()) {
      const own = randomUUID();
      await put('handover_file', {
        ...{ id: own, handover_id: id, position, name: file.name, wanted: file.wanted, basis: file.basis, state: file.state },
        ...{ sha256: file.sha256, size_bytes: file.sizeBytes, verdict: file.verdict, reason: file.reason, made_at: file.madeAt },
      });
      for (const { process, wanted, answer, askedAt, dueAt, answeredAt } of file.orders)
        await put('print_order', {
          ...{ id: randomUUID(), brand_id: brand, handover_file_id: own, process, wanted, answer },
          ...{ asked_at: askedAt, due_at: dueAt, answered_at: answeredAt },
        });
    }
  }
}
