/** What becomes of each of a fixed number of things: as many come out as went in, which `map` forgets. */
export const eachOf = <const T extends readonly unknown[], U>(tuple: T, make: (value: T[number], at: number) => U): { [K in keyof T]: U } =>
  tuple.map(make) as { [K in keyof T]: U };
