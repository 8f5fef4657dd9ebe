import { spawnSync } from 'node:child_process';
import { existsSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { createHash } from 'node:crypto';
import { join } from 'node:path';
import { PROJECT } from './project.mjs';
import { run } from './run.mjs';
import { say, stop } from './say.mjs';

const STAMP = join(PROJECT, 'node_modules', '.installed-from');

/** Installs the npm packages of the lockfile when they are missing or out of date. */
export async function ensureNpmPackages() {
  const lock = createHash('sha256')
    .update(readFileSync(join(PROJECT, 'package-lock.json')))
    .digest('hex');
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === lock) return;
  say('Installing npm packages …');
  if ((await run('npm', ['ci', '--no-audit', '--no-fund'])) !== 0)
    stop('The npm packages could not be installed: run `npm ci` by hand and read what it says.');
  writeFileSync(STAMP, lock);
}

/** @param {string} command */
const onPath = (command) => spawnSync('sh', ['-c', `command -v ${command}`], { stdio: 'ignore' }).status === 0;

const FONT_FOLDERS = ['/usr/share/fonts/truetype', '/usr/share/fonts/opentype'];
/** Whether Debian's font folders hold a file whose name begins so. @param {string} beginning */
const hasFont = (beginning) =>
  FONT_FOLDERS.some(
    (folder) =>
      existsSync(folder) && readdirSync(folder, { recursive: true }).some((file) => String(file).split('/').at(-1)?.startsWith(beginning)),
  );

/** The folder of PostgreSQL's own programs, newest version first; `undefined` when it is not installed. */
export function postgresPrograms() {
  const versions = existsSync('/usr/lib/postgresql') ? readdirSync('/usr/lib/postgresql').sort((a, b) => Number(b) - Number(a)) : [];
  const folder = versions
    .map((version) => `/usr/lib/postgresql/${version}/bin`)
    .find((bin) => existsSync(join(bin, 'initdb')) && existsSync(join(bin, 'pg_ctl')));
  if (folder) return folder;
  const asked = spawnSync('pg_config', ['--bindir'], { encoding: 'utf8' });
  const bin = asked.status === 0 ? asked.stdout.trim() : '';
  return bin && existsSync(join(bin, 'initdb')) ? bin : undefined;
}

/** Debian's font packages of many scripts, and symbols: every file of theirs is taken in and shaped by the tests. */
export const FONT_PACKAGES = [
  'fonts-lohit-deva',
  'fonts-lohit-beng-bengali',
  'fonts-lohit-gujr',
  'fonts-lohit-knda',
  'fonts-lohit-telu',
  'fonts-lohit-mlym',
  'fonts-lohit-taml',
  'fonts-tlwg-loma-ttf',
  'fonts-tlwg-purisa-ttf',
  'fonts-khmeros',
  'fonts-sil-padauk',
  'fonts-lao',
  'fonts-hosny-amiri',
  'culmus',
  'fonts-sil-abyssinica',
  'fonts-dejavu-core',
  'fonts-font-awesome',
];
/** @param {string} name */
const isInstalled = (name) =>
  spawnSync('dpkg-query', ['-W', '-f', '${Status}', name], { encoding: 'utf8' }).stdout.includes('ok installed');

/**
 * What the project needs from Debian: how to see that it is there, and the package that brings it.
 * @type {Record<string, { readonly label: string, readonly present: () => boolean }>}
 */
export const DEBIAN = {
  'libimage-exiftool-perl': { label: 'exiftool, a reader of what pictures tell', present: () => onPath('exiftool') },
  wfuzz: { label: 'a published list of script injections', present: () => existsSync('/usr/share/wfuzz/wordlist/Injections/XSS.txt') },
  postgresql: { label: 'PostgreSQL', present: () => postgresPrograms() !== undefined },
  chromium: { label: 'Chromium', present: () => onPath('chromium') },
  'poppler-utils': { label: 'pdftocairo (a second PDF reader)', present: () => onPath('pdftocairo') },
  // Debian's own: other programs are called convert too.
  imagemagick: { label: 'ImageMagick (a second reader of pictures)', present: () => existsSync('/usr/bin/convert') },
  'libtiff-tools': { label: 'tiffinfo (libtiff)', present: () => onPath('tiffinfo') },
  'librsvg2-bin': { label: 'rsvg-convert (a second SVG renderer)', present: () => onPath('rsvg-convert') },
  potrace: { label: 'potrace (a second tracer, the yardstick of ours)', present: () => onPath('potrace') },
  pngcheck: { label: 'pngcheck (a second PNG reader)', present: () => onPath('pngcheck') },
  'python3-fonttools': {
    label: 'fontTools (a second font reader)',
    present: () => spawnSync('/usr/bin/python3', ['-c', 'import fontTools'], { stdio: 'ignore' }).status === 0,
  },
  'fonts-ebgaramond': { label: 'EB Garamond (a whole font to check against)', present: () => hasFont('EBGaramond') },
  'fonts-junicode': { label: 'Junicode (a whole font to check against)', present: () => hasFont('Junicode') },
  'fonts-linuxlibertine': { label: 'Linux Libertine (a whole font to check against)', present: () => hasFont('LinLibertine') },
  'fonts-vollkorn': { label: 'Vollkorn (a whole font to check against)', present: () => hasFont('Vollkorn') },
  ...Object.fromEntries(
    FONT_PACKAGES.map((name) => [name, { label: `${name} (fonts of another script)`, present: () => isInstalled(name) }]),
  ),
  'unicode-data': {
    label: 'the test files of Unicode',
    present: () => existsSync('/usr/share/unicode/auxiliary/LineBreakTest.txt'),
  },
  wamerican: { label: 'a word list', present: () => existsSync('/usr/share/dict/american-english') },
  'libharfbuzz-bin': { label: 'hb-shape (the reference shaper)', present: () => onPath('hb-shape') },
};

/**
 * Installs the named Debian packages that are missing; without the right to do so, says what to install by hand.
 * @param {readonly string[]} names
 */
export async function ensureDebianPackages(names) {
  const missing = names.filter((name) => !DEBIAN[name]?.present());
  if (missing.length === 0) return;
  const labels = missing.map((name) => DEBIAN[name]?.label).join(', ');
  const byHand = `Install by hand: ${missing.join(' ')} (on Debian: apt-get install ${missing.join(' ')}).`;
  if (!onPath('apt-get')) stop(`${labels} not found, and this machine has no apt-get. ${byHand}`);
  if (process.getuid?.() !== 0) stop(`${labels} not found, and installing needs root. ${byHand}`);
  say(`Installing ${labels} …`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  /** @type {import('node:child_process').SpawnOptions} */
  const quiet = { env, stdio: ['ignore', 'ignore', 'inherit'] };
  await run('apt-get', ['update', '-qq'], quiet);
  if ((await run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', ...missing], quiet)) !== 0)
    stop(`${labels} could not be installed. ${byHand}`);
}
