/**
 * Fetches the shipped fonts anew from their published packages, as published, with their license texts.
 * Only needed when `fonts/families.json` changes; the result is committed, so that nobody else needs the network.
 */
import { execFileSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const FONTS = new URL('../../fonts/', import.meta.url).pathname;
const families = JSON.parse(readFileSync(join(FONTS, 'families.json'), 'utf8'));
const only = process.argv.slice(2);

/** Unpacks a package into a new folder and returns that folder and the version that was found there. */
function unpack(packageName) {
  const folder = mkdtempSync(join(tmpdir(), 'lucky-fonts-'));
  const archive = execFileSync('npm', ['pack', '--silent', packageName, '--pack-destination', folder], { encoding: 'utf8' })
    .trim()
    .split('\n')
    .at(-1);
  execFileSync('tar', ['xzf', join(folder, archive), '-C', folder]);
  const root = join(folder, 'package');
  return { folder, root, version: JSON.parse(readFileSync(join(root, 'package.json'), 'utf8')).version };
}

/** Every file below a folder, as paths from that folder. */
const filesBelow = (root) =>
  readdirSync(root, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .map((entry) => join(entry.parentPath ?? entry.path, entry.name).slice(root.length + 1));

/** The published files a family ships: the file with the most axes, or the whole static files of the named weights. */
function pick(family, root) {
  const files = filesBelow(root);
  if (family.variable) {
    const base = family.id;
    const wanted = [
      `files/${base}-latin-full-normal.woff2`,
      `files/${base}-latin-standard-normal.woff2`,
      `files/${base}-latin-wght-normal.woff2`,
    ];
    const found = wanted.find((file) => files.includes(file));
    if (!found)
      throw new Error(
        `${family.id}: expected one of ${wanted.join(', ')} but found ${files.filter((file) => file.includes('latin-')).join(', ')}`,
      );
    return [{ source: found, style: 'normal' }];
  }
  if (family.subset)
    return family.weights.map((weight) => ({
      source: `files/${family.id}-latin-${Number.parseInt(weight, 10)}-normal.woff2`,
      style: 'normal',
      weight: Number.parseInt(weight, 10),
    }));
  return family.weights.map((weight) => {
    const found = files.find((file) => file.endsWith(`_${weight}.ttf`));
    if (!found) throw new Error(`${family.id}: expected ${weight} but found ${files.filter((file) => file.endsWith('.ttf')).join(', ')}`);
    return { source: found, style: weight.endsWith('_Italic') ? 'italic' : 'normal', weight: Number.parseInt(weight, 10) };
  });
}

const shippedPath = join(FONTS, 'shipped.json');
const shipped = existsSync(shippedPath) ? JSON.parse(readFileSync(shippedPath, 'utf8')) : [];

for (const family of families) {
  if (only.length > 0 && !only.includes(family.id)) continue;
  if (only.length === 0 && shipped.some((row) => row.id === family.id)) continue;
  const { folder, root, version } = unpack(family.variable ?? family.whole ?? family.subset);
  const licenseFile = ['LICENSE_FONT', 'LICENSE'].find((file) => existsSync(join(root, file)));
  if (!licenseFile) throw new Error(`${family.id}: no license text in the package`);
  const licenseText = readFileSync(join(root, licenseFile), 'utf8');
  const license = /SIL OPEN FONT LICENSE/i.test(licenseText) ? 'OFL-1.1' : /Apache License/i.test(licenseText) ? 'Apache-2.0' : undefined;
  if (!license) throw new Error(`${family.id}: the license text is neither OFL-1.1 nor Apache-2.0`);

  mkdirSync(join(FONTS, family.id), { recursive: true });
  writeFileSync(join(FONTS, family.id, 'LICENSE.txt'), licenseText);
  const faces = pick(family, root).map(({ source, style, weight }) => {
    const bytes = readFileSync(join(root, source));
    const file = `${family.id}/${source.split('/').at(-1)}`;
    writeFileSync(join(FONTS, file), bytes);
    return {
      file,
      style,
      ...(weight ? { weight } : {}),
      sha256: createHash('sha256').update(bytes).digest('hex'),
      sizeBytes: bytes.length,
    };
  });
  const row = {
    id: family.id,
    name: family.name,
    class: family.class,
    license,
    source: `${family.variable ?? family.whole ?? family.subset}@${version}`,
    faces,
  };
  const at = shipped.findIndex((other) => other.id === family.id);
  if (at >= 0) shipped[at] = row;
  else shipped.push(row);
  rmSync(folder, { recursive: true });
  writeFileSync(shippedPath, `${JSON.stringify(shipped, null, 2)}\n`);
  console.log(`${family.id} ${version} ${license} ${faces.map((face) => `${face.file} ${face.sizeBytes}`).join(', ')}`);
}
