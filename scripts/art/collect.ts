// Lists the art that ships: which pieces, under which words, in which style, how heavy. Measured by the core; nothing typed in by hand.
// Run with `npm run art` after a collection changes; it writes art/catalogue.json.
import { createHash } from 'node:crypto';
import { readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { thicknessOfArea, type ArtEntry } from '../../src/core/index';
import { openPathAlgebra } from '../../src/core/pathops';
import { importSvg } from '../../src/core/svg-import';

const require = createRequire(import.meta.url);
const read = <T>(path: string): T => JSON.parse(readFileSync(path, 'utf8')) as T;
interface SetRow {
  readonly id: string;
  readonly package: string;
  readonly keep: string;
  readonly drop: string;
  /** Names that depict somebody's character or game, as the first half of their SHA-256: left out, and not named here either. */
  readonly dropHashed: readonly string[];
}
interface IconFile {
  readonly icons: Readonly<Record<string, { readonly body: string; readonly width?: number; readonly height?: number }>>;
  readonly width?: number;
  readonly height?: number;
}

const sets = read<readonly SetRow[]>('art/sets.json');
const paths = await openPathAlgebra(readFileSync(require.resolve('pathkit-wasm/bin/pathkit.wasm')));

/** Tags by the name of an emoji, as the open emoji data has them. */
const tags = new Map<string, readonly string[]>();
for (const { label, tags: own = [] } of read<readonly { label: string; tags?: readonly string[] }[]>(
  require.resolve('emojibase-data/en/data.json'),
))
  tags.set(label.toLowerCase().replace(/[^a-z0-9]+/g, '-'), own);

const hashOf = (name: string): string => createHash('sha256').update(name).digest('hex').slice(0, 12);

const entries: ArtEntry[] = [];
const left = { unread: 0, dropped: 0 };
for (const set of sets) {
  const file = read<IconFile>(require.resolve(`${set.package}/icons.json`));
  const [keep, drop] = [new RegExp(set.keep), new RegExp(set.drop)];
  const began = entries.length;
  for (const [name, { body, width = file.width ?? 16, height = file.height ?? 16 }] of Object.entries(file.icons)) {
    if (!keep.test(name) || drop.test(name) || set.dropHashed.includes(hashOf(name))) {
      left.dropped++;
      continue;
    }
    const drawing = importSvg(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}">${body}</svg>`, paths);
    if (!drawing.ok) {
      left.unread++;
      continue;
    }
    const { pieces, box } = drawing.value;
    const side = Math.max(box.right - box.left, box.bottom - box.top);
    const colors = new Set(pieces.map(({ color }) => color)).size;
    const stroked = /stroke="currentColor"/.test(body);
    const area = paths.weld(pieces.map(({ path, rule }) => ({ path, rule })));
    const median = thicknessOfArea(area)?.median ?? 0;
    const base = name.replace(/-fill$/, '');
    const words = [
      ...new Set([...base.split('-'), ...(tags.get(base) ?? []).flatMap((tag) => tag.toLowerCase().split(/[^a-z0-9]+/))]),
    ].filter((word) => word.length > 1 && !/^\d+$/.test(word));
    if (words.length === 0 || median <= 0 || median >= side) continue;
    entries.push({
      id: `${set.id}/${name}`,
      words,
      style: stroked ? 'line' : colors > 1 ? 'colored' : 'filled',
      colors,
      weight: Math.round((median / side) * 1000),
    });
  }
  console.log(`${set.id}: ${entries.length - began} pieces`);
}
writeFileSync('art/catalogue.json', `[\n${entries.map((entry) => JSON.stringify(entry)).join(',\n')}\n]\n`);
console.log(`${entries.length} pieces; ${left.dropped} left out by name, ${left.unread} that draw nothing`);
