// Paints the sample photos that marks are tried on, from fixed seeds, into static/photos. Ours: made by this file alone.
import { mkdir } from 'node:fs/promises';
import sharp from 'sharp';

const WIDTH = 1200;
const HEIGHT = 800;

/** A small seeded generator (mulberry32), so that every run paints the same pictures. */
function random(seed) {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** A ridge line across the picture: sums of sines with seeded phases, as an SVG path down to the foot. */
function ridge(next, level, rough) {
  const waves = Array.from({ length: 7 }, (_, n) => ({ k: (n + 1) * (0.8 + next()), phase: next() * 7, high: rough / (n + 1) }));
  const points = [];
  for (let x = 0; x <= WIDTH; x += 12) {
    const y = level + waves.reduce((sum, { k, phase, high }) => sum + high * Math.sin((x / WIDTH) * 2 * Math.PI * k + phase), 0);
    points.push(`${x} ${y.toFixed(1)}`);
  }
  return `M0 ${HEIGHT}L${points.join('L')}L${WIDTH} ${HEIGHT}Z`;
}

const page = (body) => `<svg xmlns="http://www.w3.org/2000/svg" width="${WIDTH}" height="${HEIGHT}">${body}</svg>`;
const shade = (id, stops, angled = false) =>
  `<linearGradient id="${id}" x2="${angled ? 1 : 0}" y2="1">${stops.map(([at, color]) => `<stop offset="${at}" stop-color="${color}"/>`).join('')}</linearGradient>`;

/** Bright: ridges in sea haze. */
function haze() {
  const next = random(11);
  const tones = ['#d5dfe0', '#bccdd0', '#9db5ba', '#7f9ca2', '#5f8187'];
  const ridges = tones.map((tone, n) => `<path d="${ridge(next, 330 + n * 88, 46 - n * 4)}" fill="${tone}"/>`).join('');
  return page(
    `<defs>${shade('sky', [
      [0, '#f3efe4'],
      [1, '#dfe6e3'],
    ])}</defs><rect width="100%" height="100%" fill="url(#sky)"/>${ridges}`,
  );
}
/** Dark: water after sunset. */
function dusk() {
  const next = random(23);
  const glints = Array.from({ length: 420 }, () => {
    const y = 470 + next() ** 2 * 330;
    const wide = 8 + next() * 70 * (y / HEIGHT);
    return `<rect x="${(next() * WIDTH).toFixed(0)}" y="${y.toFixed(0)}" width="${wide.toFixed(0)}" height="${(1 + next() * 2).toFixed(1)}" fill="#7d8fa3" opacity="${(0.05 + next() * 0.25).toFixed(2)}"/>`;
  }).join('');
  return page(
    `<defs>${shade('sky', [
      [0, '#101a2b'],
      [0.8, '#4a3b4c'],
      [1, '#8a5747'],
    ])}${shade('sea', [
      [0, '#2b3244'],
      [1, '#0c1220'],
    ])}</defs><rect width="100%" height="470" fill="url(#sky)"/><rect y="460" width="100%" height="340" fill="url(#sea)"/>${glints}<path d="${ridge(
      next,
      452,
      12,
    )
      .replace(`M0 ${HEIGHT}`, 'M0 478')
      .replace(/L1200 800Z$/, 'L1200 478Z')}" fill="#131a26"/>`,
  );
}
/** Busy: a soft-focus crowd of lights. */
function lights() {
  const next = random(37);
  const tones = ['#e8b84b', '#d97b4a', '#7fa7a0', '#c9d3c6', '#b5482d', '#5d7f9a'];
  const disks = Array.from({ length: 170 }, () => {
    const r = 10 + next() * 46;
    return `<circle cx="${(next() * WIDTH).toFixed(0)}" cy="${(next() * HEIGHT).toFixed(0)}" r="${r.toFixed(0)}" fill="${tones[Math.floor(next() * tones.length)]}" opacity="${(0.15 + next() * 0.5).toFixed(2)}"/>`;
  }).join('');
  return page(`<rect width="100%" height="100%" fill="#1c2023"/>${disks}`);
}
/** Flat: a box on a table before a soft backdrop, with its contact shadow. */
function studio() {
  return page(
    `<defs>${shade('wall', [
      [0, '#cdbfa8'],
      [1, '#b9a88d'],
    ])}${shade('table', [
      [0, '#a8957a'],
      [1, '#bda98c'],
    ])}${shade(
      'side',
      [
        [0, '#c79f6b'],
        [1, '#a9814f'],
      ],
      true,
    )}<radialGradient id="under"><stop offset="0" stop-color="#4e4030" stop-opacity=".6"/><stop offset="1" stop-color="#4e4030" stop-opacity="0"/></radialGradient></defs><rect width="100%" height="100%" fill="url(#wall)"/><rect y="560" width="100%" height="240" fill="url(#table)"/><ellipse cx="620" cy="660" rx="420" ry="52" fill="url(#under)"/><path d="M330 230H820V650H330Z" fill="url(#side)"/><path d="M820 230L905 205V618L820 650Z" fill="#8c6a40"/>`,
  );
}

/** Grain, so that no ground is perfectly even. */
function grain(seed, strength) {
  const next = random(seed);
  const pixels = Buffer.alloc(WIDTH * HEIGHT * 4);
  for (let at = 0; at < pixels.length; at += 4) {
    const bright = next() < 0.5 ? 0 : 255;
    pixels[at] = pixels[at + 1] = pixels[at + 2] = bright;
    pixels[at + 3] = Math.floor(next() * strength);
  }
  return { input: pixels, raw: { width: WIDTH, height: HEIGHT, channels: 4 } };
}

await mkdir('static/photos', { recursive: true });
for (const [name, svg, blur, noise] of [
  ['haze', haze(), 1.2, 14],
  ['dusk', dusk(), 0.8, 18],
  ['lights', lights(), 5, 16],
  ['studio', studio(), 2, 12],
]) {
  const soft = await sharp(Buffer.from(svg)).blur(blur).png().toBuffer();
  const { size } = await sharp(soft)
    .composite([grain(name.length * 7, noise)])
    .removeAlpha()
    .jpeg({ quality: 78, mozjpeg: true })
    .toFile(`static/photos/${name}.jpg`);
  console.log(`static/photos/${name}.jpg: ${size} bytes`);
}
