/** Writes fonts/NOTICE.md from fonts/shipped.json and the license texts beside the fonts. */
import { readFileSync, writeFileSync } from 'node:fs';

const FONTS = new URL('../../fonts/', import.meta.url).pathname;
/** @type {readonly { id: string, name: string, license: string, source: string }[]} */
const families = JSON.parse(readFileSync(`${FONTS}shipped.json`, 'utf8'));

/** The line of a license text that names who holds the rights. @param {string} id */
const holder = (id) =>
  readFileSync(`${FONTS}${id}/LICENSE.txt`, 'utf8')
    .split('\n')
    .find((line) => /^\s*Copyright\b.*\d{4}/i.test(line))
    ?.trim() ?? 'see the license text';

const rows = families.map(
  ({ id, name, license, source }) =>
    `| ${name} | ${license} | ${holder(id).replaceAll('|', '\\|')} | \`${source}\` | [text](${id}/LICENSE.txt) |`,
);
writeFileSync(
  `${FONTS}NOTICE.md`,
  `# Licenses of the shipped fonts\n\nEvery file is shipped as it was published. Both licenses allow use in marks that are sold and registered; what may not be sold is the font itself on its own.\n\n| family | license | rights | published as | |\n|---|---|---|---|---|\n${rows.join('\n')}\n\nThe interface is set in Petrona and Schibsted Grotesk, both OFL-1.1, from their packages \`@fontsource-variable/petrona\` and \`@fontsource-variable/schibsted-grotesk\`.\n`,
);
