import type { Hex } from '../color/hex';
import { framePath, heightOf, isIdentity, widthOf, type Affine, type Bounds } from '../geometry';
import type { Drawing, DrawingNode, Gradient, Group, PictureFill } from '../marks';
import { escaped } from './escaped';
import { pathData, written } from './path-data';

const matrix = ({ a, b, c, d, e, f }: Affine): string => {
  if (a === 1 && b === 0 && c === 0 && d === 1) return `translate(${written(e)} ${written(f)})`;
  // Turn and scale carry more digits than lengths: they multiply coordinates.
  const factor = (value: number) => String(Number(value.toFixed(9)));
  return `matrix(${factor(a)} ${factor(b)} ${factor(c)} ${factor(d)} ${written(e)} ${written(f)})`;
};

/** Where a picture's pixels are found: an address on a page, the pixels themselves in a file. */
export type PictureAddress = (sha256: string) => string;

/** Says of a text what it is in eight characters; for ids that must only tell a few apart. @source Fowler–Noll–Vo 1a, 32 bits */
function shortDigest(text: string): string {
  let hash = 0x811c9dc5;
  for (let at = 0; at < text.length; at++) hash = Math.imul(hash ^ text.charCodeAt(at), 0x01000193);
  return (hash >>> 0).toString(16).padStart(8, '0');
}

function pictureMarkup({ map, path, rule, opacity, sha256 }: PictureFill, { prefix, pictureAddress }: Writing): string {
  const shown = opacity < 1 ? ` opacity="${written(opacity)}"` : '';
  // Upright pictures carry plain numbers, which more programs read well.
  const upright = map.b === 0 && map.c === 0 && map.a > 0 && map.d > 0;
  const frame = upright
    ? `x="${written(map.e)}" y="${written(map.f)}" width="${written(map.a)}" height="${written(map.d)}"`
    : `width="1" height="1" transform="${matrix(map)}"`;
  const image = `<image${shown} preserveAspectRatio="none" ${frame} href="${escaped(pictureAddress(sha256))}"/>`;
  const data = pathData(path);
  if (data === pathData(framePath(map))) return image;
  const id = `${prefix}cut-${shortDigest(data)}`;
  return `<g clip-path="url(#${id})"><clipPath id="${id}"><path clip-rule="${rule}" d="${data}"/></clipPath>${image}</g>`;
}

function gradientMarkup({ kind, map, spread, stops }: Gradient, prefix: string): { readonly id: string; readonly markup: string } {
  const share = (value: number) => String(Number(value.toFixed(4)));
  const listed = stops
    .map(
      ({ at, color, opacity }) =>
        `<stop offset="${share(at)}" stop-color="${color}"${opacity < 1 ? ` stop-opacity="${share(opacity)}"` : ''}/>`,
    )
    .join('');
  const numbers = kind === 'linear' ? 'x1="0" y1="0" x2="1" y2="0"' : 'cx="0" cy="0" r="1"';
  const method = spread === 'pad' ? '' : ` spreadMethod="${spread}"`;
  const inside = ` gradientUnits="userSpaceOnUse" ${numbers} gradientTransform="${matrix(map)}"${method}>${listed}</${kind}Gradient>`;
  const id = `${prefix}tint-${shortDigest(kind + inside)}`;
  return { id, markup: `<${kind}Gradient id="${id}"${inside}` };
}

/** How a drawing is written. */
interface Writing {
  /** Stands before every id. */
  readonly prefix: string;
  readonly pictureAddress: PictureAddress;
}

function node(item: DrawingNode, writing: Writing): string {
  if (item.kind === 'group') return groupMarkup(item, writing.prefix, writing.pictureAddress);
  if (item.kind === 'picture') return pictureMarkup(item, writing);
  const passing = item.gradient && gradientMarkup(item.gradient, writing.prefix);
  const opacity = item.opacity < 1 ? ` fill-opacity="${written(item.opacity)}"` : '';
  const rule = item.rule === 'evenodd' ? ' fill-rule="evenodd"' : '';
  return `${passing?.markup ?? ''}<path fill="${passing ? `url(#${passing.id})` : item.color}"${opacity}${rule} d="${pathData(item.path)}"/>`;
}

/** One group as a page shows it: the writer's own attributes and markup, piece by piece, so that only what changed is replaced. */
export interface GroupPieces {
  readonly id: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly pieces: readonly string[];
}

/** A drawing that holds no pictures needs no address. */
const NOWHERE: PictureAddress = () => '';

/**
 * @param prefix stands before every id, so that one page can show a mark many times
 * @param pictureAddress where the pixels of its pictures are found
 */
export function groupPieces(group: Group, prefix = '', pictureAddress: PictureAddress = NOWHERE): GroupPieces {
  const id = prefix + group.id;
  const clip = group.clip;
  const clipData = clip && pathData(clip.path);
  // Groups that stand for no part have no name: their clip is named by what it is.
  const clipId = group.id === '' ? `${prefix}clip-${shortDigest(`${clip?.rule} ${clipData}`)}` : `${id}-clip`;
  return {
    id: group.id,
    attributes: {
      ...(group.id === '' ? {} : { id }),
      ...(isIdentity(group.transform) ? {} : { transform: matrix(group.transform) }),
      ...(group.opacity < 1 ? { opacity: written(group.opacity) } : {}),
      ...(group.blend === 'normal' ? {} : { style: `mix-blend-mode:${group.blend}` }),
      ...(clip ? { 'clip-path': `url(#${clipId})` } : {}),
    },
    pieces: [
      ...(clip ? [`<clipPath id="${escaped(clipId)}"><path clip-rule="${clip.rule}" d="${clipData}"/></clipPath>`] : []),
      ...group.children.map((child) => node(child, { prefix, pictureAddress })),
    ],
  };
}

/** One group as markup; the page shows the same markup that files carry. */
export function groupMarkup(group: Group, prefix = '', pictureAddress: PictureAddress = NOWHERE): string {
  const { attributes, pieces } = groupPieces(group, prefix, pictureAddress);
  const listed = Object.entries(attributes).map(([name, value]) => ` ${name}="${escaped(value)}"`);
  return `<g${listed.join('')}>${pieces.join('')}</g>`;
}

export interface SvgOptions {
  /** What the picture shows, for people who cannot see it. */
  readonly title: string;
  /** The part of the mark's plane that is shown; ink bounds for a tight file. */
  readonly box: Bounds;
  /** Size attributes in CSS pixels; the box's own size when left out. */
  readonly widthPx?: number;
  readonly heightPx?: number;
  /** Unit of the size attributes, for files with a physical size. */
  readonly unit?: 'px' | 'mm';
  /** Lines about where it comes from and what may be done with it. */
  readonly rights?: readonly string[];
  /** The pixels of its pictures, as data addresses: a file stands by itself. */
  readonly pictureAddress?: PictureAddress;
  /** Stands before every id, where several pictures share one page. */
  readonly idPrefix?: string;
  /** Painted behind everything, over the whole box. */
  readonly ground?: Hex | undefined;
}

/**
 * Writes a drawing as a self-contained SVG: outlines and embedded pictures only, no scripts, no external references, colors as `#rrggbb`, transparent ground.
 * @source W3C SVG 2; W3C Compositing and Blending Level 1
 */
export function toSvg(drawing: Drawing, options: SvgOptions): string {
  const { box, title } = options;
  const unit = options.unit === 'mm' ? 'mm' : '';
  const width = written(options.widthPx ?? widthOf(box)) + unit;
  const height = written(options.heightPx ?? heightOf(box)) + unit;
  const grounded = options.ground
    ? `<rect x="${written(box.left)}" y="${written(box.top)}" width="${written(widthOf(box))}" height="${written(heightOf(box))}" fill="${options.ground}"/>`
    : '';
  const blended = drawing.groups.some((group) => group.blend !== 'normal');
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="${written(box.left)} ${written(box.top)} ${written(widthOf(box))} ${written(heightOf(box))}" role="img"` +
    `${blended ? ' style="isolation:isolate"' : ''}><title>${escaped(title)}</title>${options.rights?.length ? `<metadata>${escaped(options.rights.join('\n'))}</metadata>` : ''}${grounded}${drawing.groups.map((group) => groupMarkup(group, options.idPrefix, options.pictureAddress)).join('')}</svg>\n`
  );
}
