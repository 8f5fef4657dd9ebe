/** Rooms that count what needs a look. */
export type LookingRoom = 'proof' | 'color';

const KEY = 'lucky-thistle/looks';

/** How many things need a look, by brand and room, as each room found last; kept in this browser. */
const looks: Record<string, Partial<Record<LookingRoom, number>>> = $state(read());

function read(): Record<string, Partial<Record<LookingRoom, number>>> {
  try {
    const kept: unknown = JSON.parse(globalThis.localStorage?.getItem(KEY) ?? '{}');
    return kept !== null && typeof kept === 'object' ? (kept as Record<string, Partial<Record<LookingRoom, number>>>) : {};
  } catch {
    return {};
  }
}

export function tellLooks(brand: string, room: LookingRoom, count: number): void {
  if (looks[brand]?.[room] === count) return;
  looks[brand] = { ...looks[brand], [room]: count };
  try {
    localStorage.setItem(KEY, JSON.stringify(looks));
  } catch {
    // Without storage the count lasts as long as the page.
  }
}

export const looksIn = (brand: string, room: string): number => Number(looks[brand]?.[room as LookingRoom] ?? 0);
