import { swatchesOf, type Palette } from '../color/palette';
import { escaped } from '../output/escaped';
import { keptApart } from '../type';

/** A page of the sheet as it stands in its folder. */
export interface SheetPicture {
  readonly title: string;
  readonly text: string;
  /** Its picture’s file, beside the page. */
  readonly file: string;
}

const STYLE =
  'body{margin:0;background:#efece4;color:#22302a;font:16px/1.5 Georgia,serif}main{max-width:70rem;margin:0 auto;padding:2rem 1rem}' +
  'h1,h2{font-weight:400}figure{margin:0 0 2.5rem}img{display:block;width:100%;height:auto;background:#fff;border:1px solid #d9d3c4}figcaption{padding-top:.4rem}' +
  'ul{padding:0;list-style:none}li{display:flex;align-items:center;gap:.7rem;padding:.25rem 0}i{width:2rem;height:2rem;border:1px solid #d9d3c4}a{color:#6e2f6b}';

/** The brand sheet as a page that stands by itself beside its pictures: no scripts, nothing from elsewhere, every word and code to be copied. */
export function sheetWebPage(brand: string, palette: Palette, pictures: readonly SheetPicture[]): string {
  const pages = pictures
    .map(
      ({ title, text, file }) =>
        `<figure id="${escaped(file.replace(/\.svg$/, ''))}"><img src="${escaped(file)}" alt="${escaped(title)}"><figcaption><strong>${escaped(title)}</strong>${text === '' ? '' : `<br>${escaped(text)}`}</figcaption></figure>`,
    )
    .join('');
  const colors = swatchesOf(palette)
    .map(({ name, hex }) => `<li><i style="background:${hex}"></i>${escaped(name)} <code>${hex}</code></li>`)
    .join('');
  return (
    `<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>${escaped(keptApart(brand))}: how the brand is used</title><style>${STYLE}</style>` +
    `<main><h1>${escaped(keptApart(brand))}: how the brand is used</h1><p><a href="brand-sheet.pdf">All pages as one PDF</a></p>${pages}<h2>Colors</h2><ul>${colors}</ul></main></html>\n`
  );
}
