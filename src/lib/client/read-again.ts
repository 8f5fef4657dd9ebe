import { invalidateAll } from '$app/navigation';
import { navigating } from '$app/state';
import { onNews } from './work/news';
import { retryMs } from './work/retry';

/** Whether the server and its database answer. */
export const answers = async (): Promise<boolean> => {
  try {
    const response = await fetch('/api/health', { cache: 'no-store' });
    // Read to its end: what is not stays on its way for good.
    await response.arrayBuffer();
    return response.ok;
  } catch {
    return false;
  }
};

/**
 * Reads what a page shows again whenever one of its subjects moves on elsewhere. A page whose data cannot be had gives way to one that says
 * so, with all that is at hand on it: the server is asked whether it answers before, until it does.
 * @param may whether it may be read now; what may not is told again by later news
 * @returns how to stop
 */
export function readAgainOnNews(subjects: readonly string[], may: () => boolean = () => true): () => void {
  let waiting = false;
  let stopped = false;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const read = async (failures = 0): Promise<void> => {
    if (await answers()) {
      waiting = false;
      // Whoever is on the way to another page gets the news there; asking again would call the way off.
      if (!stopped && navigating.to === null && may()) await invalidateAll();
    } else if (!stopped) timer = setTimeout(() => void read(failures + 1), retryMs(failures));
  };
  const again = () => {
    if (waiting) return;
    waiting = true;
    void read();
  };
  const stops = subjects.map((subject) => onNews(subject, again));
  return () => {
    stopped = true;
    clearTimeout(timer);
    for (const stop of stops) stop();
  };
}
