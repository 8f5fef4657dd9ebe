import type { EntityManager } from '@mikro-orm/postgresql';
import { downloadZip } from 'client-zip';
import { dress, guidePage, guideText, rightsLines, rightsOf, webManifest, packKind, type GuideFile, type HandoverPlan } from '$core/index';
import { Handover, HandoverFile, type HandoverBasis } from '../database/entities';
import { filePieces } from '../files';
import { shippedFamilies } from '../fonts';
import { refuse } from '../http/problem-error';
import { sheetFolder } from '../sheet';
import type { BrandView } from '../stores/brands';
import { standingAt } from './subjects';

interface Entry {
  readonly name: string;
  readonly lastModified: Date;
  readonly input: string | Uint8Array | AsyncIterable<Uint8Array>;
}

const dateText = (date: Date): string =>
  date.toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric', timeZone: 'UTC' });

/** Everything that a pack's ZIP holds: its files, a guide as text and as a page, what was seen when they were opened again, and what browsers need. */
async function entriesOf(
  em: EntityManager,
  brand: BrandView,
  row: {
    readonly id: string;
    readonly name: string;
    readonly plan: unknown;
    readonly basis: HandoverBasis;
    readonly createdAt: Date;
  },
): Promise<readonly Entry[]> {
  const files = await em.find(HandoverFile, { handover: row.id }, { orderBy: { position: 'asc' } });
  const open = files.filter(({ state }) => state !== 'done');
  if (open.length > 0)
    throw refuse(
      409,
      'not-done',
      `${open.length} of the ${files.length} files of this pack are not done.`,
      'Wait for them, or try again what could not be made.',
      { retryS: 2 },
    );
  const standing = await standingAt(em.fork(), brand, row.basis);
  const lastModified = row.createdAt;
  const guided = files.map((file): GuideFile => ({
    name: file.name,
    wanted: file.wanted,
    markName: standing.names.get(file.wanted.mark) ?? 'mark',
    colorway: dress(standing.palette, file.wanted.dressing).label,
    seen: (file.verdict?.checks ?? []).map(({ message }) => message),
  }));
  const families = [...shippedFamilies(), ...standing.ownFamilies];
  const rights = new Set(
    [...new Set(files.map(({ wanted }) => wanted.mark))].flatMap((mark) => {
      const recipe = standing.recipes.get(mark);
      return recipe
        ? rightsLines(
            rightsOf(recipe, standing.recipes, { family: (id) => families.find((family) => family.id === id), drawnFrom: () => undefined }),
          )
        : [];
    }),
  );
  const guide = { brand: brand.name, handover: row.name, date: dateText(row.createdAt), files: guided, rights: [...rights] };
  const webPacks = [
    ...new Set(files.filter(({ wanted }) => packKind(wanted.kind).manifest).map(({ name }) => name.split('/')[0] ?? 'web')),
  ];
  const { sheet } = (row.plan ?? {}) as Pick<HandoverPlan, 'sheet'>;
  const folder = sheet
    ? await sheetFolder(em, { ...brand, palette: standing.palette }, { recipes: standing.recipes, documents: row.basis.documents })
    : [];
  return [
    ...folder.map(({ name, input }): Entry => ({ name, lastModified, input })),
    { name: 'read-me.txt', lastModified, input: guideText(guide) },
    { name: 'which-file-is-for-what.html', lastModified, input: guidePage(guide) },
    {
      name: 'checked.json',
      lastModified,
      input: `${JSON.stringify(
        files.map(({ name, sha256, sizeBytes, basis, verdict }) => ({
          name,
          sha256,
          sizeBytes,
          revisions: basis.marks,
          palette: basis.palette,
          ...verdict,
        })),
        null,
        1,
      )}\n`,
    },
    ...webPacks.flatMap((folder): Entry[] => {
      const own = guided.filter(({ name }) => name.startsWith(`${folder}/`));
      const { manifest, head } = webManifest(brand.name, { theme: standing.palette.lead, ground: standing.palette.paper }, own);
      return [
        { name: `${folder}/site.webmanifest`, lastModified, input: manifest },
        { name: `${folder}/head.html`, lastModified, input: head },
      ];
    }),
    ...files.map(({ name, sha256 }): Entry => ({ name, lastModified, input: filePieces(sha256 as string) })),
  ];
}

/** A pack as a ZIP that is written while it is read: no file is ever whole in memory. @throws a refusal while it is not complete */
export async function packZip(em: EntityManager, brand: BrandView, id: string): Promise<ReadableStream<Uint8Array>> {
  const row = await em.findOneOrFail(Handover, { id, brand: brand.id });
  const body = downloadZip([...(await entriesOf(em, brand, row))], { buffersAreUTF8: true }).body;
  if (!body) throw new Error('The ZIP has no body.');
  return body;
}
