import { row } from './figures.mjs';

/** Builders in the core, in one process: the page of starts of every kind, and an edit of a full crest. @returns {Promise<string[]>} */
export async function builders() {
  const core = await import('../../src/core/index.ts');
  const { shelfOf } = await import('../../tests/support/fonts.ts');
  const { paths, resolverOf } = await import('../../tests/support/resolver.ts');
  const shelf = await shelfOf('cinzel', 'josefin-sans', 'playfair-display');
  const heard = /** @type {const} */ ({
    text: 'Gorsebank Rowing Club',
    font: { family: 'cinzel', style: 'normal', axes: {} },
    second: 'Everybody rows',
  });
  const fresh = () => {
    const kept = new Map();
    /** @type {import('../../src/core/index.ts').BuildContext} */
    const context = {
      ...{ fonts: shelf, paths, heard },
      remember: (key, make) => {
        if (!kept.has(key)) kept.set(key, make());
        return kept.get(key);
      },
    };
    return { context, resolve: resolverOf(shelf).resolve };
  };
  const dressed = core.dress(core.STARTING_PALETTE, 'full');
  const lines = [];
  const draw = (/** @type {import('../../src/core/index.ts').BuilderName} */ name) => {
    const { context, resolve } = fresh();
    const began = performance.now();
    let first = 0;
    for (const start of core.startsOf(name, context)) {
      const parts = core.builtParts(core.EMPTY_RECIPE, 'built', { builder: name, numbers: start.numbers, follows: null, heard }, context);
      if (parts) resolve({ recipe: { ...core.EMPTY_RECIPE, parts }, sources: new Map(), dress: dressed });
      first ||= performance.now() - began;
    }
    return [first, performance.now() - began];
  };
  // Drawn once before anything is timed, as the worker has when somebody opens the page.
  draw('wordmark');
  for (const name of core.BUILDER_NAMES) {
    const [first = 0, all = 0] = draw(name);
    lines.push(
      row(`Page of starts, ${name}: first picture`, [first], { median: 300, p95: 300 }),
      row(`Page of starts, ${name}: all pictures`, [all], { median: 2000, p95: 2000 }),
    );
  }
  const { context, resolve } = fresh();
  /** @type {import('../../src/core/index.ts').Arms} */
  const arms = {
    ...{ division: 'quarterly', line: 'straight', pieces: 6, first: 'azure', second: 'or' },
    items: [
      { is: 'ordinary', ordinary: 'bordure', tincture: 'argent' },
      { is: 'charges', what: 'mullet', count: 40, tincture: 'argent', arranged: 'in-chief' },
      { is: 'charges', what: 'billet', count: 40, tincture: 'argent', arranged: 'in-base' },
      { is: 'charges', what: 'key', count: 1, tincture: 'gules', arranged: 'quarters', quarters: [1, 2, 3, 4] },
    ],
  };
  const numbers = {
    arms,
    crossed: 'oar',
    top: 'crown',
    supporters: 'wing',
    compartment: 'wavesBar',
    flourish: 'mantling',
    motto: 'Everybody rows',
  };
  const made = core.builtParts(core.EMPTY_RECIPE, 'built', { builder: 'crest', numbers, follows: null, heard }, context) ?? [];
  // Laid twice over, it has the parts that a full crest has.
  const copies = [0, 1].flatMap((copy) => made.map((part) => ({ part, copy })));
  const names = new Map();
  const parts = copies.map(({ part, copy }) => {
    const text = JSON.stringify(part).replace(/"id":"([^"]+)"/, (_, id) => `"id":"${id}-${copy}"`);
    names.set(part.id, part.id);
    const read = JSON.parse(text);
    if (read.members) read.members = read.members.map((/** @type {string} */ id) => `${id}-${copy}`);
    delete read.built;
    if (read.line?.along) read.line.along.part = `${read.line.along.part}-${copy}`;
    if (read.fit?.to?.part) read.fit.to.part = `${read.fit.to.part}-${copy}`;
    return core.expect(core.createPart(read));
  });
  let recipe = { ...core.EMPTY_RECIPE, parts };
  resolve({ recipe, sources: new Map(), dress: dressed });
  const movable = parts.filter(({ kind }) => kind !== 'group');
  const times = [];
  // Every part in turn is moved by a hair, those that lie behind others' clear rims as well.
  for (let n = 0; n < 2 * movable.length; n++) {
    const part = movable[n % movable.length];
    if (!part) continue;
    recipe = core.changePart(recipe, part.id, { place: { ...part.place, x: part.place.x + 0.1 * (n + 1) } });
    const began = performance.now();
    resolve({ recipe, sources: new Map(), dress: dressed });
    times.push(performance.now() - began);
  }
  lines.push(row(`One edit in a full crest of ${parts.length} parts`, times, { median: 50, p95: 50 }));
  const rebuilds = [];
  let whole = { ...core.EMPTY_RECIPE, parts: made };
  for (let n = 0; n < 12; n++) {
    const began = performance.now();
    whole = core.rebuilt(whole, 'built', { numbers: { ...numbers, sizePx: 360 + n }, heard }, context) ?? whole;
    resolve({ recipe: whole, sources: new Map(), dress: dressed });
    rebuilds.push(performance.now() - began);
  }
  lines.push(
    row(`The same crest built anew at another size (${made.length} parts), and drawn`, rebuilds.slice(2), { median: 1000, p95: 2000 }),
  );
  const pairs = ['UH', 'SQ', 'CR', 'NK', 'HE', 'AL', 'WZ', 'MP', 'ZU', 'DT', 'IR', 'BJ', 'OO', 'EF', 'KX', 'GY'];
  const searches = [];
  for (const family of ['cinzel', 'josefin-sans', 'playfair-display'])
    for (const letters of pairs) {
      const own = fresh().context;
      const began = performance.now();
      core.madeBy({ builder: 'monogram', numbers: { construction: 'interlocked', letters, family } }, own);
      searches.push(performance.now() - began);
    }
  lines.push(row('Two capitals interlocked, every way of them', searches, { median: 350, p95: 800 }));
  return lines;
}
