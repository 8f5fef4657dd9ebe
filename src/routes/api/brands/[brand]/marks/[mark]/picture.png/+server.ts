import { dotsPerInchOf } from '$core/index';
import { heavy } from '$lib/server/heavy/pool';
import { answer } from '$lib/server/http/answer';
import { pictureHeaders, pictureRequest } from '$lib/server/http/picture-request';
import { readQuery } from '$lib/server/http/read-query';
import { pngQuerySchema } from '$lib/server/http/schemas';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = (event) =>
  answer(event, async (em) => {
    const query = readQuery(event.url, pngQuerySchema);
    const { subject, fileName } = await pictureRequest(em, event, query);
    const dotsPerInch = query.dpi ?? (query.widthMm === undefined ? undefined : dotsPerInchOf(query.width, query.widthMm));
    const size = { widthPx: query.width, ...(dotsPerInch === undefined ? {} : { dotsPerInch }) };
    const png = await heavy('png', { subject, size });
    return new Response(new Uint8Array(png), {
      headers: pictureHeaders('image/png', `${fileName}_${query.width}px.png`, query.download === '1'),
    });
  });
