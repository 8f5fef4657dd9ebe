import type { RequestEvent } from '@sveltejs/kit';
import type { EntityManager } from '@mikro-orm/postgresql';
import { dotsPerInchOf, ROLES, type Hex, type Role } from '$core/index';
import { heavy } from '../heavy/pool';
import type { RasterFormat } from '../pictures';
import { refuse } from './problem-error';
import { pictureHeaders, pictureRequest } from './picture-request';
import { readQuery } from './read-query';
import { rasterQuerySchema } from './schemas';

const TYPES: Readonly<Record<RasterFormat, string>> = { png: 'image/png', jpg: 'image/jpeg', webp: 'image/webp' };

/** Answers a mark in pixels, in one of the formats. */
export async function rasterAnswer(em: EntityManager, event: RequestEvent, format: RasterFormat): Promise<Response> {
  const query = readQuery(event.url, rasterQuerySchema);
  const { width, height } = query;
  const { subject, fileName } = await pictureRequest(em, event, query);
  const isRole = (ground: string): ground is Role => (ROLES as readonly string[]).includes(ground);
  const asked = query.ground ?? (format === 'jpg' ? 'paper' : 'clear');
  if (asked === 'clear' && format === 'jpg')
    throw refuse(422, 'no-transparency', 'A JPEG cannot be transparent.', 'Give it a ground, or ask for PNG or WebP.');
  const ground = asked === 'clear' ? undefined : isRole(asked) ? subject.palette[asked] : (asked as Hex);
  const dotsPerInch = query.dpi ?? (query.widthMm === undefined || width === undefined ? undefined : dotsPerInchOf(width, query.widthMm));
  const size = { widthPx: width, heightPx: height, ...(dotsPerInch === undefined ? {} : { dotsPerInch }) };
  const file = await heavy('raster', { subject, size, format, ground });
  const named = [width && height ? `${width}x${height}px` : width ? `${width}px` : `${height}px-high`];
  return new Response(new Uint8Array(file), {
    headers: pictureHeaders(TYPES[format], `${[fileName, ...named].join('_')}.${format}`, query.download === '1'),
  });
}
