import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PNG } from 'pngjs';

let folder: string | undefined;

/** Pixels of an SVG by librsvg on cairo (rsvg-convert, Debian), which share no code with the app's renderer. */
export function byLibrsvg(svg: string, widthPx: number, heightPx: number): PNG {
  folder ??= mkdtempSync(join(tmpdir(), 'lucky-librsvg-'));
  const [from, to] = [join(folder, 'mark.svg'), join(folder, 'mark.png')];
  writeFileSync(from, svg);
  execFileSync('rsvg-convert', ['-w', String(widthPx), '-h', String(heightPx), '-o', to, from]);
  return PNG.sync.read(readFileSync(to));
}

/** How much of a picture is covered: the sum of its alpha, in pixels. */
export function coverageOf({ data }: PNG): number {
  let sum = 0;
  for (let at = 3; at < data.length; at += 4) sum += (data[at] as number) / 255;
  return sum;
}
