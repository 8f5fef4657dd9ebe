import { heavy } from '$lib/server/heavy/pool';
import { answer } from '$lib/server/http/answer';
import { pictureHeaders, pictureRequest } from '$lib/server/http/picture-request';
import { readQuery } from '$lib/server/http/read-query';
import { pictureQuerySchema } from '$lib/server/http/schemas';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = (event) =>
  answer(event, async (em) => {
    const query = readQuery(event.url, pictureQuerySchema);
    const { subject, fileName } = await pictureRequest(em, event, query);
    return new Response(await heavy('svg', subject), {
      headers: pictureHeaders('image/svg+xml', `${fileName}.svg`, query.download === '1'),
    });
  });
