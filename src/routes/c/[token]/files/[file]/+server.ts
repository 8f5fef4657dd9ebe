import type { FormatName } from '$core/index';
import { clientFile } from '$lib/server/client-link/files';
import { count, visit, whoAsks } from '$lib/server/client-link/visit';
import { answer } from '$lib/server/http/answer';
import { notFound } from '$lib/server/http/problem-error';
import { readQuery } from '$lib/server/http/read-query';
import { clientFileSchema } from '$lib/server/http/schemas';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = (event) =>
  answer(event, async (em) => {
    const seen = await visit(em, event);
    const [, slug = '', format = ''] = /^([a-z0-9-]{1,80})\.([a-z]{3,4})$/.exec(event.params.file) ?? [];
    if (slug === '') throw notFound('file');
    const { dressing, width, download, from } = readQuery(event.url, clientFileSchema);
    // The page's own pictures are counted with the page: it shows dozens, and is looked at again.
    if (download === '1' || width !== undefined || format !== 'svg') await count('file', `${seen.link.id} ${whoAsks(event)}`);
    return clientFile(em, seen, slug, format as FormatName, { dressing, width, download: download === '1', from });
  });
