/** The same data with other ids in it: ids are long and random, so that wherever one stands it is meant. */
export function withOtherIds<T>(data: T, ids: ReadonlyMap<string, string>): T {
  if (ids.size === 0) return data;
  const pattern = new RegExp([...ids.keys()].join('|'), 'g');
  return JSON.parse(JSON.stringify(data).replace(pattern, (id) => ids.get(id) ?? id)) as T;
}
