import { row } from './figures.mjs';

/** Rounds of each; every one with a width of its own, so that nothing is remembered. */
const ROUNDS = 15;

/** Treatments in the core, in one process: what an edit of one costs. @returns {Promise<string[]>} */
export async function treatments() {
  const core = await import('../../src/core/index.ts');
  const { shelfOf } = await import('../../tests/support/fonts.ts');
  const { resolverOf } = await import('../../tests/support/resolver.ts');
  const shelf = await shelfOf('great-vibes', 'josefin-sans', 'playfair-display');
  const { resolve } = resolverOf(shelf);
  const recipeOf = (/** @type {any[]} */ parts) => ({
    ...core.EMPTY_RECIPE,
    parts: parts.map((part) => core.expect(core.createPart(part))),
  });
  const draw = (/** @type {any} */ recipe, quick = false) =>
    resolve({ recipe, sources: new Map(), dress: core.dress(core.STARTING_PALETTE, 'full'), quick });
  const word = (/** @type {string} */ text, /** @type {string} */ family, /** @type {any[] | undefined} */ treatments = undefined) => ({
    kind: 'lettering',
    id: 'word',
    text,
    font: { family },
    sizePx: 140,
    treatments,
  });
  const timed = (/** @type {(round: number) => any} */ make, quick = false) => {
    /** @type {number[]} */
    const times = [];
    for (let round = 0; round < ROUNDS + 3; round++) {
      const recipe = make(round);
      const began = performance.now();
      draw(recipe, quick);
      times.push(performance.now() - began);
    }
    return times.slice(3);
  };
  const treat = (/** @type {any} */ kind, /** @type {any} */ own) => [core.newTreatment(kind, 't', own)];
  const lines = [];
  draw(recipeOf([word('Windrow Kite Worksho', 'great-vibes')]));
  lines.push(
    row(
      'Welding band around 20 letters of a script, another width each time',
      timed((n) => recipeOf([word('Windrow Kite Worksho', 'great-vibes', treat('welding-band', { widthPx: 8 + n * 0.3 }))])),
      { median: 100, p95: 100 },
    ),
  );
  lines.push(
    row(
      'Engraved word of 12 letters, another pitch each time',
      timed((n) => recipeOf([word('Windrow Kite', 'josefin-sans', treat('engraved-lines', { pitchPx: 6 + n * 0.1 }))])),
      { median: 60, p95: 60 },
    ),
  );
  lines.push(
    row(
      'Block shadow behind 12 letters, another depth each time',
      timed((n) => recipeOf([word('Windrow Kite', 'josefin-sans', treat('block-shadow', { depthPx: 12 + n }))])),
      { median: 100, p95: 100 },
    ),
  );
  // The colors run where they ran: what is new each time is the band around them.
  for (const form of ['linear', 'around', 'along'])
    lines.push(
      row(
        `Outline band around six letters whose colors run ${form === 'linear' ? 'along a line' : form === 'around' ? 'around' : 'along the strokes'}`,
        timed((n) =>
          recipeOf([
            word('Harbor', 'josefin-sans', [
              core.newTreatment('gradient', 'g', { form }),
              core.newTreatment('outline-band', 'b', { widthPx: 4 + n * 0.3 }),
            ]),
          ]),
        ),
        { median: 100, p95: 100 },
      ),
    );
  // Sixty parts with twenty treatments among them; one number of one of them changes.
  const kinds = ['outline-band', 'offset-shadow', 'inset-line', 'engraved-lines', 'gradient', 'halo', 'slices', 'block-shadow'];
  const many = (/** @type {number} */ n) =>
    recipeOf(
      Array.from({ length: 60 }, (_, index) => ({
        kind: 'shape',
        id: `p${index}`,
        form: { form: index % 2 === 0 ? 'disk' : 'star' },
        place: { x: (index % 10) * 90, y: Math.floor(index / 10) * 90, turnDeg: 0, scale: 0.4 },
        ...(index % 3 === 0
          ? {
              treatments: [
                core.newTreatment(/** @type {any} */ (kinds[(index / 3) % kinds.length]), 't', index === 0 ? { widthPx: 4 + n * 0.4 } : {}),
              ],
            }
          : {}),
      })),
    );
  lines.push(row('One edit in a mark of 60 parts with 20 treatments', timed(many), { median: 50, p95: 100 }));
  const laurel = core.outlineOf(core.startOf('laurel'));
  const piece = {
    kind: 'art',
    id: 'piece',
    source: { title: 'Laurel' },
    slots: [{ original: '#000000', paint: { role: 'ink' } }],
    sizePx: 300,
    pieces: [{ data: core.pathData(core.toSize(laurel, 1000, 1000)) }],
  };
  lines.push(
    row(
      'Etched piece of art, another angle each time',
      timed((n) => recipeOf([{ ...piece, treatments: treat('etched', { angleDeg: -28 + n }) }])),
      { median: 1000, p95: 1000 },
    ),
  );
  /** @type {readonly (readonly [string, string, (round: number) => object])[]} */
  const soft = [
    ['Soft shadow behind 12 letters, another softness each time', 'soft-shadow', (n) => ({ softPx: 12 + n * 0.3 })],
    ['Inner shadow of 12 letters, another softness each time', 'inner-shadow', (n) => ({ softPx: 6 + n * 0.2 })],
    ['Relief of 12 letters, another width each time', 'relief', (n) => ({ widthPx: 7 + n * 0.2 })],
    ['Worn print on 12 letters, another seed each time', 'wear', (n) => ({ seed: n + 1 })],
    ['Halftone over 12 letters, another pitch each time', 'halftone', (n) => ({ pitchPx: 7 + n * 0.1 })],
    ['Perspective of 12 letters, another turn each time', 'perspective', (n) => ({ turnDeg: 20 + n })],
  ];
  const lettered = (/** @type {string} */ kind, /** @type {object} */ own) =>
    recipeOf([word('Windrow Kite', 'josefin-sans', treat(kind, own))]);
  for (const [label, kind, own] of soft)
    lines.push(
      row(
        label,
        timed((n) => lettered(kind, own(n))),
        { median: 50, p95: 50 },
      ),
    );
  // What takes long is shown quickly first: by numbers that were not drawn above, so that nothing is remembered.
  /** @type {readonly (readonly [string, (round: number) => any])[]} */
  const quick = [
    ['Etched piece of art', (n) => recipeOf([{ ...piece, treatments: treat('etched', { angleDeg: -27.5 + n }) }])],
    ['Etched word of 12 letters', (n) => lettered('etched', { angleDeg: -27.5 + n })],
    ['Inner shadow of 12 letters', (n) => lettered('inner-shadow', { softPx: 6.1 + n * 0.2 })],
    ['Relief of 12 letters', (n) => lettered('relief', { widthPx: 7.1 + n * 0.2 })],
    ['Worn print on 12 letters', (n) => lettered('wear', { seed: n + 101 })],
    ['Knitted stitches on 12 letters', (n) => lettered('knitted', { pitchPx: 5.01 + n * 0.1 })],
    ['Stepping outlines around 12 letters', (n) => lettered('stepping-outlines', { gapPx: 4.01 + n * 0.1 })],
    ['Inset line in 12 letters', (n) => lettered('inset-line', { insetPx: 3.01 + n * 0.1 })],
    ['Inline in 12 letters', (n) => lettered('inline', { widthPx: 2.51 + n * 0.1 })],
    ['Outline band around 12 letters', (n) => lettered('outline-band', { widthPx: 6.01 + n * 0.3 })],
    ['Block shadow of 12 letters', (n) => lettered('block-shadow', { angleDeg: 30.1 + n })],
  ];
  for (const [label, make] of quick) lines.push(row(`${label}, the quick picture of it`, timed(make, true), { median: 50, p95: 50 }));
  return lines;
}
