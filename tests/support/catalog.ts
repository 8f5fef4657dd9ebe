import { deflateSync } from 'node:zlib';
import PDFDocument from 'pdfkit';
import sharp from 'sharp';

/** What is said in the made catalog about people and places; none of it may be left. */
export const PRIVATE_WORDS = ['Ada Private', 'private-words', 'Camera of nobody', 'Secret subject'];

/** A photo that tells with what and where it was taken. */
const telling = (): Promise<Buffer> =>
  sharp({ create: { width: 240, height: 160, channels: 3, background: '#7a93a8' } })
    .composite([{ input: Buffer.from('<svg width="240" height="160"><circle cx="120" cy="80" r="60" fill="#d8b25a"/></svg>') }])
    .jpeg({ quality: 90 })
    .withExifMerge({
      IFD0: { Make: 'Camera of nobody', Artist: 'Ada Private' },
      IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '51/1 30/1 0/1', GPSLongitudeRef: 'W', GPSLongitude: '0/1 7/1 0/1' },
    })
    .toBuffer();

/** A PDF of one page whose content is packed from far more than it is worth, once or twice. */
export function bomb(twice = false): Buffer {
  const packed = deflateSync(Buffer.alloc(300 * 1024 * 1024, 32), { level: 9 });
  const content = twice ? deflateSync(packed, { level: 9 }) : packed;
  const filter = twice ? '[/FlateDecode /FlateDecode]' : '/FlateDecode';
  const head = `%PDF-1.7
1 0 obj <</Type /Catalog /Pages 2 0 R>> endobj
2 0 obj <</Type /Pages /Kids [3 0 R] /Count 1>> endobj
3 0 obj <</Type /Page /Parent 2 0 R /MediaBox [0 0 200 200] /Contents 4 0 R>> endobj
4 0 obj <</Length ${content.length} /Filter ${filter}>>
stream
`;
  return Buffer.concat([Buffer.from(head), content, Buffer.from('\nendstream endobj\ntrailer <</Root 1 0 R>>\n%%EOF\n')]);
}

interface CatalogOptions {
  readonly pages?: number;
  readonly passwords?: { readonly userPassword?: string; readonly ownerPassword?: string };
}

/**
 * A catalog as a designer might send it: text, a link, a photo on every page; its second page turned, its third cropped, its fourth in larger units and with
 * content that leaves the page's plane scaled.
 */
export async function catalog({ pages = 4, passwords = {} }: CatalogOptions = {}): Promise<Buffer> {
  const photo = await telling();
  const doc = new PDFDocument({
    size: [420, 595],
    margin: 0,
    autoFirstPage: false,
    info: { Title: 'Kites', Author: 'Ada Private', Keywords: 'private-words', Subject: 'Secret subject' },
    ...passwords,
  });
  const chunks: Uint8Array[] = [];
  doc.on('data', (chunk: Uint8Array) => chunks.push(chunk));
  const done = new Promise((resolve) => doc.on('end', resolve));
  for (let number = 1; number <= pages; number++) {
    doc.addPage({ size: [420, 595], margin: 0 });
    const page = doc.page.dictionary.data as Record<string, unknown>;
    if (number === 2) page['Rotate'] = 90;
    if (number === 3) page['CropBox'] = [30, 45, 390, 565];
    if (number === 4) page['UserUnit'] = 1.5;
    doc.rect(0, 0, 420, 595).fill(number % 2 ? '#f2ead8' : '#dfe7ea');
    doc.image(photo, 60, 120, { width: 300 });
    doc.fillColor('#222').fontSize(24).text(`Kite No. ${number}`, 60, 60);
    doc.fontSize(11).text('Order by letter', 60, 360, { link: 'https://example.org/order' });
    // Leaves its plane moved and scaled, as careless writers do.
    if (number === 4) doc.addContent('0.5 0 0 0.5 40 40 cm');
  }
  doc.end();
  await done;
  return Buffer.concat(chunks);
}
