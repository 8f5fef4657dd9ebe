import { notNought, NOUGHT } from '../../numeric/tolerances';
import type { ItemBuffer, SeenUnit } from './item-buffer';

/** How a unit is shown where there is one color. */
export const STATES = ['ink', 'clear', 'hatched', 'counterchanged'] as const;
export type State = (typeof STATES)[number];

/** The costs of the rule, named for what they price; moved by a third they change few decisions. */
const COST = {
  alone: { ink: 0.5, clear: 0.5, hatched: 0.6, counterchanged: 0.06 },
  clearOnGround: 0.7,
  hatchedOnGround: 0.3,
  inkBesideInk: 0.5,
  clearBesideClear: 0.7,
  hatchedBesideHatched: 0.8,
  hatchedBesideOther: 0.25,
  wrongOrder: 0.6,
  counterchanged: 0.1,
  alikeButApart: 1.2,
} as const;
/** Below this distance nobody sees a border; from the second on, colors count as told apart. OKLab. */
const UNSEEN = 0.02;
const ALIKE = 0.04;
/** Units thinner than so many gaps are never hatched, and suffer more where nothing but an outline is left of them. */
const HATCH_FROM = 7;
const THIN = 3;
/** Most assignments looked at before the best one so far is taken. */
const MOST_LOOKED_AT = 200_000;

/** How much a border counts: 0 where it is not seen, up to 1 where colors are far apart. */
const visibility = (distance: number): number =>
  distance <= UNSEEN ? 0 : (0.3 + 0.7 * Math.min(1, (distance - UNSEEN) / 0.25)) * Math.min(1, (distance - UNSEEN) / UNSEEN);

const inkiness: Readonly<Record<State, number>> = { ink: 1, hatched: 0.5, clear: 0, counterchanged: 0.5 };
const opposite: Readonly<Record<State, State>> = { ink: 'clear', clear: 'ink', hatched: 'clear', counterchanged: 'counterchanged' };

interface Pair {
  readonly one: number;
  readonly other: number;
  /** By the state of one, then of the other. */
  readonly costs: readonly (readonly number[])[];
}

function aloneCosts(unit: SeenUnit, gap: number): readonly number[] {
  const size = 4 * Math.sqrt(unit.area);
  const dark = unit.tone * unit.tone * (3 - 2 * unit.tone);
  return STATES.map((state) => {
    if (state === 'ink') return COST.alone.ink * size * (1 - dark);
    if (state === 'clear') return COST.alone.clear * size * dark;
    if (state === 'hatched') return unit.isText || unit.thickness < HATCH_FROM * gap ? Infinity : COST.alone.hatched * size;
    return unit.isText ? COST.alone.counterchanged * size : Infinity;
  });
}

/** A light sheet painted dark, or a dark one painted light: there the inkier is the lighter. */
export type Sheet = 'light' | 'dark';

/**
 * Decides how every unit is shown: what is seen in full color is told apart, the light stays light and the dark dark as far as it can.
 * Least sum of costs by descent from four starts, then branch and bound; the same drawing always gives the same decisions.
 * @param gap width of a gap, in mark pixels
 * @param fixed what the designer decided, by unit
 */
export function decide(buffer: ItemBuffer, gap: number, fixed: ReadonlyMap<number, State>, sheet: Sheet = 'light'): readonly State[] {
  const order = sheet === 'light' ? 1 : -1;
  const { units, borders } = buffer;
  const alone = units.map((unit, index) => {
    const costs = aloneCosts(unit, gap);
    const own = fixed.get(index);
    return own === undefined ? costs : STATES.map((state) => (state === own ? 0 : Infinity));
  });
  const ground = units.map(() => STATES.map(() => 0));
  const pairs: Pair[] = [];
  const pairCost = (
    one: SeenUnit,
    other: SeenUnit | undefined,
    a: State,
    b: State,
    length: number,
    distance: number,
    lighter: number,
  ): number => {
    if (a === 'counterchanged' || b === 'counterchanged') {
      const seen = COST.counterchanged * length * visibility(distance);
      if (a === b) return seen;
      const [x, y] = a === 'counterchanged' ? [opposite[b], b] : [a, opposite[a]];
      return seen + 0.5 * pairCost(one, other, x, y, length, distance, lighter);
    }
    const v = visibility(distance) * length;
    const text = one.isText || (other?.isText ?? false);
    const thinner = Math.min(one.thickness, other?.thickness ?? Infinity);
    const thin = thinner < THIN * gap;
    let cost = 0;
    if (!other) {
      if (a === 'clear') cost += COST.clearOnGround * v * (thin ? 4 : 1) * (text ? 2.5 : 1);
      else if (a === 'hatched') cost += COST.hatchedOnGround * v;
      // Paper on ground that is not clear would show shapes that nobody saw.
      if (a !== 'clear' && distance < ALIKE) cost += COST.alikeButApart * length * Math.min(1, (ALIKE - distance) / UNSEEN);
    } else {
      if (a === 'ink' && b === 'ink' && one.ink === other.ink)
        cost += COST.inkBesideInk * v * Math.min(3, 1 + Math.max(0, (2 * gap) / notNought(thinner) - 0.5)) * (text ? 1.8 : 1);
      else if (a === 'clear' && b === 'clear') cost += COST.clearBesideClear * v * (thin ? 2.5 : 1) * (text ? 1.8 : 1);
      else if (a === 'hatched' && b === 'hatched') cost += COST.hatchedBesideHatched * v;
      else if (a === 'hatched' || b === 'hatched') cost += COST.hatchedBesideOther * v * (text ? 4 : 1);
      if (a !== b && distance < ALIKE) cost += COST.alikeButApart * length * Math.min(1, (ALIKE - distance) / UNSEEN);
    }
    const inkier = inkiness[a] - (other ? inkiness[b] : 0);
    if (inkier * lighter * order > 0) {
      const half = a === 'hatched' || b === 'hatched' ? 0.5 : 1;
      cost += COST.wrongOrder * v * Math.min(1, Math.abs(lighter) / 0.35) * (other?.part === one.part ? 6 : 1) * half;
    }
    return cost;
  };
  for (const { one, other, length, distance, lighter } of borders) {
    const unit = units[other] as SeenUnit;
    if (one < 0) {
      // `one` is the ground: seen from the unit, lightness differs the other way round.
      const costs = ground[other] as number[];
      STATES.forEach(
        (state, at) => (costs[at] = (costs[at] as number) + pairCost(unit, undefined, state, 'clear', length, distance, -lighter)),
      );
      continue;
    }
    const first = units[one] as SeenUnit;
    pairs.push({ one, other, costs: STATES.map((a) => STATES.map((b) => pairCost(first, unit, a, b, length, distance, lighter))) });
  }
  const own = units.map((_, index) => STATES.map((_state, at) => (alone[index]?.[at] ?? 0) + (ground[index]?.[at] ?? 0)));
  return solve(own, pairs);
}

function solve(own: readonly (readonly number[])[], pairs: readonly Pair[]): readonly State[] {
  const count = own.length;
  const touching: Pair[][] = own.map(() => []);
  for (const pair of pairs) {
    touching[pair.one]?.push(pair);
    touching[pair.other]?.push(pair);
  }
  const costOf = (states: readonly number[]): number =>
    own.reduce((sum, costs, index) => sum + (costs[states[index] as number] as number), 0) +
    pairs.reduce((sum, { one, other, costs }) => sum + (costs[states[one] as number]?.[states[other] as number] ?? 0), 0);
  /** What one unit costs in a state, the others as they are. */
  const local = (states: readonly number[], index: number, state: number): number =>
    (own[index]?.[state] as number) +
    (touching[index] ?? []).reduce(
      (sum, { one, other, costs }) =>
        sum + (one === index ? (costs[state]?.[states[other] as number] ?? 0) : (costs[states[one] as number]?.[state] ?? 0)),
      0,
    );
  const allowed = own.map((costs) => STATES.map((_, at) => at).filter((at) => Number.isFinite(costs[at])));
  const firstAllowed = (index: number, wanted: number) => (allowed[index]?.includes(wanted) ? wanted : (allowed[index]?.[0] ?? 0));
  const starts = [
    own.map((costs, index) =>
      (allowed[index] ?? []).reduce((best, at) => ((costs[at] as number) < (costs[best] as number) ? at : best), allowed[index]?.[0] ?? 0),
    ),
    own.map((_, index) => firstAllowed(index, 0)),
    own.map((_, index) => firstAllowed(index, 1)),
    own.map((_, index) => firstAllowed(index, index % 2)),
  ];
  let best: number[] = [];
  let least = Infinity;
  for (const start of starts) {
    const states = [...start];
    for (let changed = true, rounds = 0; changed && rounds < 60; rounds++) {
      changed = false;
      for (let index = 0; index < count; index++) {
        const now = local(states, index, states[index] as number);
        for (const state of allowed[index] ?? [])
          if (local(states, index, state) < now - NOUGHT) {
            states[index] = state;
            changed = true;
            break;
          }
      }
      // Two neighbors at once: a pair may be stuck where neither moves alone.
      for (const { one, other, costs } of pairs) {
        const [a0, b0] = [states[one] as number, states[other] as number];
        // What both cost with everybody else; the border between them is counted in both, and taken off once.
        const both = (a: number, b: number): number => {
          [states[one], states[other]] = [a, b];
          return local(states, one, a) + local(states, other, b) - (costs[a]?.[b] ?? 0);
        };
        let [bestA, bestB, lowest] = [a0, b0, both(a0, b0)];
        for (const a of allowed[one] ?? [])
          for (const b of allowed[other] ?? []) {
            const cost = both(a, b);
            if (cost < lowest - NOUGHT) [bestA, bestB, lowest] = [a, b, cost];
          }
        [states[one], states[other]] = [bestA, bestB];
        if (bestA !== a0 || bestB !== b0) changed = true;
      }
    }
    const cost = costOf(states);
    if (cost < least) [least, best] = [cost, states];
  }
  // Branch and bound: whoever borders most first, so that bounds bite early.
  const order = own.map((_, index) => index).sort((a, b) => (touching[b]?.length ?? 0) - (touching[a]?.length ?? 0));
  const cheapest = own.map((costs) => Math.min(...costs));
  const rest: number[] = new Array<number>(count + 1).fill(0);
  for (let at = count - 1; at >= 0; at--) rest[at] = (rest[at + 1] as number) + (cheapest[order[at] as number] as number);
  const states: number[] = new Array<number>(count).fill(-1);
  let looked = 0;
  const descend = (at: number, sum: number): void => {
    if (looked++ > MOST_LOOKED_AT || sum + (rest[at] as number) >= least - NOUGHT) return;
    if (at === count) {
      least = sum;
      best = [...states];
      return;
    }
    const index = order[at] as number;
    for (const state of allowed[index] ?? []) {
      let added = own[index]?.[state] as number;
      for (const { one, other, costs } of touching[index] ?? []) {
        const neighbor = one === index ? other : one;
        const theirs = states[neighbor] as number;
        if (theirs >= 0) added += one === index ? (costs[state]?.[theirs] ?? 0) : (costs[theirs]?.[state] ?? 0);
      }
      states[index] = state;
      descend(at + 1, sum + added);
      states[index] = -1;
    }
  };
  descend(0, 0);
  return best.map((state) => STATES[state] ?? 'ink');
}
