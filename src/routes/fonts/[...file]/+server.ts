import { fontData, licenseText } from '$lib/server/fonts';
import { problemResponse } from '$lib/server/http/answer';
import { notFound } from '$lib/server/http/problem-error';
import type { RequestHandler } from './$types';

const LICENSE = /^([a-z0-9-]+)\/LICENSE\.txt$/;

/** A shipped font as plain font data, or its license text. The `v` of the address is the file's digest, so it never changes. */
export const GET: RequestHandler = async ({ params, url }) => {
  const license = LICENSE.exec(params.file);
  const text = license ? await licenseText(license[1] ?? '') : undefined;
  if (text !== undefined) return new Response(text, { headers: { 'content-type': 'text/plain; charset=utf-8' } });
  const data = await fontData(params.file);
  if (!data) return problemResponse(notFound('font'));
  return new Response(new Uint8Array(data), {
    headers: {
      'content-type': 'font/sfnt',
      'x-content-type-options': 'nosniff',
      'cache-control': url.searchParams.has('v') ? 'public, max-age=31536000, immutable' : 'no-cache',
    },
  });
};
