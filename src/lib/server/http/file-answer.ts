import type { RequestEvent } from '@sveltejs/kit';
import type { EntityManager } from '@mikro-orm/postgresql';
import {
  canvasSchema,
  dotsPerInchOf,
  formatOf,
  isRole,
  isSwatchKey,
  fileCanvas,
  swatchColor,
  type ColorKey,
  type FormatName,
  type Hex,
  type Palette,
} from '$core/index';
import { heavy } from '../heavy/pool';
import { refuse } from './problem-error';
import { pictureHeaders, pictureRequest } from './picture-request';
import { readQuery } from './read-query';
import { fileQuerySchema, pixelQuerySchema } from './schemas';

/** The color of a ground as it is asked for: a swatch of the palette by its key, or a color code. */
export function groundColor(palette: Palette, asked: ColorKey | Hex): Hex {
  const color = isRole(asked) || isSwatchKey(asked) ? swatchColor(palette, asked) : asked;
  if (color === undefined)
    throw refuse(
      422,
      'no-such-color',
      `The palette has no color ${asked}.`,
      'Name a role, another swatch of the palette, or a color code.',
    );
  return color;
}

/** Answers a mark as a file in one of the formats. */
export async function fileAnswer(em: EntityManager, event: RequestEvent, name: FormatName): Promise<Response> {
  const format = formatOf(name);
  const pixels = format.pixels ? readQuery(event.url, pixelQuerySchema) : undefined;
  const query = pixels ?? readQuery(event.url, fileQuerySchema);
  const { subject, fileName } = await pictureRequest(em, event, query);
  const asked = query.ground ?? (format.clear ? 'clear' : 'paper');
  if (asked === 'clear' && !format.clear)
    throw refuse(
      422,
      'no-transparency',
      `A ${format.label.split(',')[0]} cannot be transparent.`,
      'Give it a ground, or ask for PNG or WebP.',
    );
  const ground = asked === 'clear' ? undefined : groundColor(subject.palette, asked);
  const piece = subject.recipe.whole?.canvas;
  // A piece has a size of its own; asked for another one, it is made in that.
  const asItIs = piece && !['width', 'height', 'widthMm'].some((name) => event.url.searchParams.has(name));
  const { width, height, dpi, widthMm } = asItIs ? { dpi: pixels?.dpi } : (pixels ?? {});
  const dotsPerInch = dpi ?? (widthMm === undefined || width === undefined ? undefined : dotsPerInchOf(width, widthMm));
  const canvas = canvasSchema.parse({
    ...(asItIs ? fileCanvas(piece, name === 'pdf') : {}),
    ...(width === undefined ? {} : { width }),
    ...(height === undefined ? {} : { height }),
    ...(dotsPerInch === undefined ? {} : { dpi: dotsPerInch }),
    ...(pixels ? { anchor: pixels.anchor, crisp: pixels.crisp === '1' } : {}),
  });
  const order = { canvas, ground, colors: query.colors };
  const file = await heavy('file', { format: name, subject, order });
  const sizes = width && height ? [`${width}x${height}px`] : width ? [`${width}px`] : height ? [`${height}px-high`] : [];
  return new Response(new Uint8Array(file), {
    headers: pictureHeaders(format.mime, `${[fileName, ...sizes].join('_')}.${name}`, query.download === '1'),
  });
}
