/** Which folds are open, by their labels: kept for this tab, so that a reload, or the next part of the kind, finds them as they were left. */
const KEY = 'lucky-thistle/folds';

function kept(): ReadonlySet<string> {
  try {
    const read: unknown = JSON.parse(sessionStorage.getItem(KEY) ?? '[]');
    return new Set(Array.isArray(read) ? read.filter((label): label is string => typeof label === 'string') : []);
  } catch {
    return new Set();
  }
}

export const wasOpen = (label: string): boolean => kept().has(label);

export function keepOpen(label: string, open: boolean): void {
  const labels = new Set(kept());
  if (open === labels.has(label)) return;
  if (open) labels.add(label);
  else labels.delete(label);
  try {
    sessionStorage.setItem(KEY, JSON.stringify([...labels]));
  } catch {
    // Without storage, folds begin closed.
  }
}
