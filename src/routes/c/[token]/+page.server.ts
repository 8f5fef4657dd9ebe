import { error, fail, redirect } from '@sveltejs/kit';
import { dress, swatchesOf } from '$core/index';
import { clientSubject, drawnFrom, dressingsShown } from '$lib/server/client-link/files';
import { notesUnder, say } from '$lib/server/client-link/links';
import { isWord } from '$lib/server/client-link/token';
import { count, isUnlocked, openLink, unlock, visit, whoAsks } from '$lib/server/client-link/visit';
import { ownFonts } from '$lib/server/stores/own-fonts';
import { unitOfWork } from '$lib/server/database/orm';
import { heavy } from '$lib/server/heavy/pool';
import { refuse } from '$lib/server/http/problem-error';
import { load as withWork } from '$lib/server/http/load';
import { asRefusal } from '$lib/server/http/refusals';
import { saidSchema } from '$lib/server/http/schemas';
import { PLACE_PX } from '$lib/client-page/place';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = (event) => {
  event.setHeaders({ 'x-robots-tag': 'noindex, nofollow', 'cache-control': 'private, no-store', 'referrer-policy': 'same-origin' });
  return withWork(async (em) => {
    const link = await openLink(em, event);
    if (!isUnlocked(link, event)) return { locked: true as const };
    const seen = await visit(em, event);
    const { brand, marks, tries, packs, token } = seen;
    const notes = await notesUnder(em, link.id);
    const { searchParams } = event.url;
    const placed = /^[0-9a-f-]{36}$/.test(searchParams.get('mark') ?? '') ? searchParams.get('mark') : null;
    const share = (name: 'x' | 'y'): number | null => {
      const value = Number(searchParams.get(`place.${name}`));
      return searchParams.has(`place.${name}`) && Number.isFinite(value) ? Math.min(1, Math.max(0, value / PLACE_PX)) : null;
    };
    return {
      locked: false as const,
      ...{ token, name: brand.name, title: link.name, palette: swatchesOf(brand.palette) },
      endsAt: link.endsAt?.toISOString() ?? null,
      packs,
      from: drawnFrom(seen, (await ownFonts(em.fork(), brand)).families),
      marks: marks.map(({ id, slug, name, role, revision, recipe }) => ({
        ...{ id, slug, name, role, revision },
        tries: tries.filter((each) => each.mark === id).map((each) => ({ id: each.id, name: each.name })),
        isPiece: recipe.whole?.canvas !== undefined,
        dressings: dressingsShown(brand, recipe).map((dressing) => ({
          dressing,
          label: dress(brand.palette, dressing).label,
          ground: dress(brand.palette, dressing).ground,
        })),
      })),
      notes: notes.map((note) => ({
        ...{ id: note.id, mark: note.mark, kind: note.kind, at: note.at, name: note.name, text: note.text, try: note.try?.name ?? null },
        ...{ createdAt: note.createdAt, answer: note.answer, closed: note.closed, revision: note.revision },
      })),
      placed: placed ? { mark: placed, x: share('x'), y: share('y') } : null,
    };
  });
};

/** What an action refuses, as the page says it. */
async function refused(run: () => Promise<void>) {
  try {
    await run();
    return undefined;
  } catch (thrown) {
    const refusal = asRefusal(thrown);
    if (refusal.status === 404) error(404, 'There is nothing at this address.');
    return fail(refusal.status, { said: refusal.message });
  }
}

export const actions: Actions = {
  word: async (event) => {
    const form = await event.request.formData();
    const wrong = await refused(async () => {
      const em = await unitOfWork();
      const link = await openLink(em, event);
      await count('word', `${link.id} ${whoAsks(event)}`);
      if (link.wordHash && (await isWord(link.wordHash, String(form.get('word') ?? '').slice(0, 200)))) unlock(link, event);
    });
    if (wrong) return wrong;
    const em = await unitOfWork();
    const link = await openLink(em, event);
    if (!isUnlocked(link, event)) return fail(403, { said: 'That is not the word.' });
    redirect(303, `/c/${event.params.token}`);
  },
  say: async (event) => {
    const form = await event.request.formData();
    let kind: 'note' | 'yes' = 'note';
    const wrong = await refused(async () => {
      const em = await unitOfWork();
      const seen = await visit(em, event);
      const { link } = seen;
      await count('note', `${link.id} ${whoAsks(event)}`);
      const given = Object.fromEntries(
        [...form].flatMap(([name, value]) => (typeof value === 'string' && value !== '' ? [[name, value] as const] : [])),
      );
      kind = given['kind'] === 'yes' ? 'yes' : 'note';
      const read = saidSchema.safeParse(given);
      if (!read.success || (kind === 'note' && read.data.text === ''))
        throw refuse(
          422,
          'not-said',
          'A note wants a name of at most 80 letters, and words of at most 4,000.',
          'Shorten it, and send it again.',
        );
      const { mark, name, text, x, y, try: about = null } = read.data;
      const at = x === undefined || y === undefined ? null : { x, y };
      const shown = seen.marks.find(({ id }) => id === mark);
      const part = at && shown ? await heavy('pointedAt', { subject: await clientSubject(em, seen, shown, 'full'), at }) : null;
      await say(em, link, { mark, kind, name, text, at, part, try: about });
    });
    if (wrong) return wrong;
    redirect(303, `/c/${event.params.token}?said=${kind}`);
  },
};
