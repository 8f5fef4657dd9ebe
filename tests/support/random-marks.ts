import {
  boundsOf,
  createPart,
  outlineOf,
  expect as valueOf,
  FORM_NAMES,
  ROLES,
  startOf,
  type KnownPart,
  type Recipe,
  type Role,
  RECIPE_VERSION,
} from '$core/index';
import { random } from './random';

type PartInput = Parameters<typeof createPart>[0];

const FACES = ['jost', 'playfair-display', 'zilla-slab', 'great-vibes'];
export const RANDOM_FACES = FACES;
const WORDS = ['Salt', 'Harbor', 'NORTH', 'Oak & Rye', 'W', 'Kestrel', 'MILL', 'ring'];

/** A mark of 2 to 7 parts as they are made at a table: grounds, shapes on them, letters, mirrored pairs; the same for the same seed. */
export function randomMark(seed: number): Recipe {
  const next = random(seed);
  const pick = <T>(from: readonly T[]): T => from[Math.floor(next() * from.length)] as T;
  const between = (low: number, high: number) => low + next() * (high - low);
  const role = (): Role => pick(ROLES);
  const parts: KnownPart[] = [];
  const add = (input: PartInput) => parts.push(valueOf(createPart(input)));
  const shape = (id: string, size: number, x: number, y: number) => {
    const form = pick(FORM_NAMES);
    const start = startOf(form);
    const box = boundsOf(outlineOf(start));
    const [wide, high] = box ? [box.right - box.left, box.bottom - box.top] : [1, 1];
    const scale = size / Math.max(wide, high, 1);
    add({
      kind: 'shape',
      id,
      form: start,
      paint: { role: role() },
      place: { x, y, turnDeg: next() < 0.2 ? between(-40, 40) : 0, scale },
      opacity: next() < 0.1 ? between(0.3, 0.9) : 1,
    } as PartInput);
  };
  const count = 2 + Math.floor(next() * 6);
  if (next() < 0.7) shape('ground', between(260, 420), 0, 0);
  for (let n = 0; n < count; n++) {
    const kind = next();
    const [x, y] = [between(-110, 110), between(-110, 110)];
    if (kind < 0.45)
      add({
        kind: 'lettering',
        id: `word-${n}`,
        text: pick(WORDS),
        font: { family: pick(FACES) },
        sizePx: between(40, 120),
        paint: { role: role() },
        place: { x, y, turnDeg: 0 },
      });
    else if (kind < 0.9) shape(`shape-${n}`, between(40, 180), x, y);
    else {
      shape(`half-${n}`, between(40, 120), between(30, 120), y);
      add({ kind: 'symmetry', id: `pair-${n}`, members: [`half-${n}`], rule: 'mirror', centerX: 0 });
    }
  }
  return { version: RECIPE_VERSION, parts };
}
