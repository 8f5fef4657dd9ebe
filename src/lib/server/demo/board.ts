import sharp from 'sharp';

/** A picture for a demo board, drawn by our own code. */
export interface DemoPicture {
  readonly name: string;
  readonly takes: string;
  readonly svg: string;
}

const svg = (width: number, height: number, body: string) =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}">${body}</svg>`;
const stripes = (width: number, height: number, ground: string, line: string, step: number, thickness: number, turn: number) =>
  svg(
    width,
    height,
    `<rect width="100%" height="100%" fill="${ground}"/><g transform="rotate(${turn} ${width / 2} ${height / 2})" fill="${line}">${Array.from({ length: Math.ceil((2 * (width + height)) / step) }, (_, n) => `<rect x="${-width}" y="${-height + n * step}" width="${3 * width}" height="${thickness}"/>`).join('')}</g>`,
  );

/** Sky and sand, ripstop, linen, dune grass, sun: the shore of the demo world. */
export const shorePictures: readonly DemoPicture[] = [
  {
    name: 'Sky and sand',
    takes: 'Wide sky, low horizon: air around the name',
    svg: svg(
      600,
      920,
      `<defs><linearGradient id="s" x2="0" y2="1"><stop stop-color="#c9d8dc"/><stop offset="1" stop-color="#8fb0b8"/></linearGradient><linearGradient id="d" x2="0" y2="1"><stop stop-color="#e8d5b0"/><stop offset="1" stop-color="#c9a877"/></linearGradient></defs><rect width="600" height="920" fill="url(#s)"/><path d="M0 520L600 300V920H0z" fill="url(#d)"/>`,
    ),
  },
  { name: 'Ripstop', takes: 'Ripstop: diagonal, two tones of one red', svg: stripes(600, 470, '#b5482d', '#c8603f', 84, 42, 45) },
  { name: 'Linen', takes: 'Linen label: small sizes will be woven', svg: stripes(600, 470, '#efeadd', '#ddd5c0', 14, 5, 0) },
  {
    name: 'Dune grass',
    takes: 'Dune grass',
    svg: svg(600, 510, '<rect width="600" height="510" fill="#22302a"/><path d="M0 190L600 400V510H0z" fill="#46663a"/>'),
  },
  {
    name: 'Low sun',
    takes: 'Sun on dark: the accent, sparingly',
    svg: svg(
      600,
      620,
      '<rect width="600" height="620" fill="#22302a"/><circle cx="180" cy="250" r="230" fill="#e8b84b"/><circle cx="180" cy="250" r="125" fill="#f2d27c"/>',
    ),
  },
];

export const drawn = ({ svg: source }: DemoPicture): Promise<Buffer> => sharp(Buffer.from(source)).png().toBuffer();
