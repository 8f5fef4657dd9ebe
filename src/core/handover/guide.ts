import { escaped } from '../output/escaped';
import { canvasText } from '../output/canvas';
import { formatOf } from '../output/file-formats';
import type { PdfColors } from '../output/pdf';
import { packKind, type PackName } from './packs';
import { holdsMany, type WantedFile } from './plan';

/** One file of a pack, as the client reads of it. */
export interface GuideFile {
  readonly name: string;
  readonly wanted: WantedFile;
  readonly markName: string;
  readonly colorway: string;
  /** What was seen when it was opened again. */
  readonly seen: readonly string[];
}

/** What a pack's guide says. */
export interface Guide {
  readonly brand: string;
  readonly handover: string;
  /** As people write it: “27 November 2026”. */
  readonly date: string;
  readonly files: readonly GuideFile[];
  /** Lines about where fonts and art come from, and what may be done with them. */
  readonly rights: readonly string[];
}

const byPack = (files: readonly GuideFile[]): ReadonlyMap<string, readonly GuideFile[]> => {
  const packs = new Map<string, GuideFile[]>();
  for (const file of files) packs.set(file.wanted.pack, [...(packs.get(file.wanted.pack) ?? []), file]);
  return packs;
};
const kindOf = (files: readonly GuideFile[]): PackName => files[0]?.wanted.kind ?? 'print';

const INKS: Record<PdfColors, string> = {
  rgb: 'in the colors of screens',
  cmyk: 'in process inks',
  spot: 'in spot colors where they are named, else in process inks',
};

/** One file in a line: “Primary, full color, 1080 × 1080 px”. */
export const fileLine = ({ markName, colorway, wanted }: Pick<GuideFile, 'markName' | 'colorway' | 'wanted'>): string =>
  [
    holdsMany(wanted)
      ? `${(wanted.pages?.length ?? 0) + 1} marks on pages of their own`
      : wanted.pages
        ? `${markName} and what follows: ${wanted.pages.length + 1} pages`
        : markName,
    colorway,
    formatOf(wanted.format).ownSizes ? '16 to 256 px' : canvasText(wanted.canvas),
    ...(wanted.colors ? [INKS[wanted.colors]] : []),
    wanted.goods ? `on: ${wanted.label.toLowerCase()}` : wanted.ground === null ? 'transparent' : 'on a ground',
  ].join(', ');

const ADVICE = [
  'Never put a transparent file on a ground that it was not made for: “reversed” and “white” are for dark grounds, everything else for light ones.',
  'Make a picture smaller, never larger. For anything larger take the SVG or the PDF: outlines are sharp at any size.',
  'Letters are outlines in all of these files: no font is needed to open or print them.',
];

/** The guide as plain text, for whoever opens nothing else. */
export function guideText({ brand, handover, date, files, rights }: Guide): string {
  const lines = [
    `${brand}: ${handover}`,
    `Made on ${date}. ${files.length} ${files.length === 1 ? 'file' : 'files'}, each opened again and checked after it was written.`,
    '',
  ];
  for (const of of byPack(files).values()) {
    const { label, client } = packKind(kindOf(of));
    lines.push(label.toUpperCase(), client, '');
    for (const file of of) lines.push(`  ${file.name}`, `      ${fileLine(file)}`);
    lines.push('');
  }
  lines.push('GOOD TO KNOW', ...ADVICE.map((line) => `- ${line}`), '', 'RIGHTS', ...rights.map((line) => `- ${line}`), '');
  return lines.join('\n');
}

const STYLE =
  'body{font:16px/1.5 Georgia,serif;color:#22302a;background:#f5f2ea;max-width:46rem;margin:2rem auto;padding:0 1.5rem}h1{font-weight:400}h2{font-weight:400;border-top:1px solid #d9d3c4;padding-top:1rem;margin-top:2rem}' +
  'td{vertical-align:top;padding:.35rem .8rem .35rem 0;border-bottom:1px solid #d9d3c4}td img{width:88px;max-height:88px;object-fit:contain}.dark{background:#22302a}small{color:#5b655f}';

/** The guide as a page that stands by itself beside the files. */
export function guidePage({ brand, handover, date, files, rights }: Guide): string {
  const shown = (file: GuideFile) =>
    ['png', 'svg', 'jpg', 'webp'].includes(file.wanted.format)
      ? `<td${['reversed', 'white'].includes(file.wanted.dressing) && file.wanted.ground === null ? ' class="dark"' : ''}><img src="${escaped(file.name)}" alt="" loading="lazy"></td>`
      : '<td></td>';
  const packs = [...byPack(files).values()]
    .map((of) => {
      const { label, client } = packKind(kindOf(of));
      const rows = of
        .map(
          (file) =>
            `<tr>${shown(file)}<td><a href="${escaped(file.name)}">${escaped(file.name.split('/').at(-1) ?? '')}</a><br>${escaped(fileLine(file))}<br><small>${escaped(formatOf(file.wanted.format).client)} ${escaped(file.seen.join('; '))}.</small></td></tr>`,
        )
        .join('');
      return `<h2>${escaped(label)}</h2><p>${escaped(client)}</p><table>${rows}</table>`;
    })
    .join('');
  return (
    `<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>${escaped(`${brand}: ${handover}`)}</title><style>${STYLE}</style>` +
    `<h1>${escaped(brand)}: ${escaped(handover)}</h1><p>Made on ${escaped(date)}. Each of the ${files.length} files was opened again and checked after it was written.</p>${packs}` +
    `<h2>Good to know</h2><ul>${ADVICE.map((line) => `<li>${escaped(line)}</li>`).join('')}</ul><h2>Rights</h2><ul>${rights.map((line) => `<li>${escaped(line)}</li>`).join('')}</ul></html>\n`
  );
}

/** The list of icons that browsers read, and the lines for the head of a page. @source W3C Web Application Manifest, 1.10 "icons" */
export function webManifest(
  brand: string,
  colors: { readonly theme: string; readonly ground: string },
  files: readonly GuideFile[],
): { readonly manifest: string; readonly head: string } {
  const own = (name: string) => name.split('/').at(-1) ?? name;
  const icons = files
    .filter(({ wanted: { format, canvas } }) => format === 'png' && canvas.width === canvas.height && (canvas.width ?? 0) >= 48)
    .map(({ name, wanted: { canvas } }) => ({ src: own(name), sizes: `${canvas.width}x${canvas.height}`, type: 'image/png' }));
  const links = files.flatMap(({ name, wanted: { format, canvas } }) => {
    if (format === 'ico') return [`<link rel="icon" href="/${own(name)}" sizes="any">`];
    if (format === 'svg') return [`<link rel="icon" href="/${own(name)}" type="image/svg+xml">`];
    if (format === 'png' && canvas.width === 180) return [`<link rel="apple-touch-icon" href="/${own(name)}">`];
    return [];
  });
  return {
    manifest: `${JSON.stringify({ name: brand, short_name: brand.slice(0, 12), icons, theme_color: colors.theme, background_color: colors.ground, display: 'browser' }, null, 2)}\n`,
    head: `${[...links, '<link rel="manifest" href="/site.webmanifest">'].join('\n')}\n`,
  };
}
