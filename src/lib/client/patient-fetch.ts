import { retryMs } from './work/retry';

type Fetch = typeof globalThis.fetch;

/** Where a page's data is read, as the framework addresses it. */
const PAGE_DATA = '/__data.json';
const roomOf = (path: string): string => path.replace(/\/$/, '');

/** Whether what came for a page is the news that the server cannot answer now. */
async function hasFailed(response: Response): Promise<boolean> {
  if (response.status >= 500) return true;
  const [first = ''] = (await response.clone().text()).split('\n');
  try {
    const { nodes } = JSON.parse(first) as { nodes?: readonly ({ type: string; status?: number } | null)[] };
    return nodes?.some((node) => node?.type === 'error' && (node.status ?? 500) >= 500) ?? false;
  } catch {
    return false;
  }
}

/**
 * A `fetch` that asks for the data of pages until it has them. The framework gives up a page whose data cannot be had and loads it anew from a
 * server that is not there, with all that is at hand on it: a page must never go that way because a server is away for a moment.
 * @param shown path of the page that is shown: for its own data a failing server is waited for as well; another page says what is wrong itself
 * @param tell that one more page waits for its data, or one less
 */
export const patientFetch =
  (fetch: Fetch, shown: () => string, tell: (more: 1 | -1) => void): Fetch =>
  async (input, init) => {
    const { pathname } = new URL(input instanceof Request ? input.url : input, globalThis.location?.href);
    if (!pathname.endsWith(PAGE_DATA)) return fetch(input, init);
    const own = roomOf(pathname.slice(0, -PAGE_DATA.length)) === roomOf(shown());
    for (let failures = 0; ; failures++) {
      try {
        const response = await fetch(input, init);
        if (!own || !(await hasFailed(response))) {
          if (failures > 0) tell(-1);
          return response;
        }
      } catch (error) {
        // Browsers say so by a type error alone, whatever its words are.
        if (!(error instanceof TypeError)) throw error;
      }
      if (failures === 0) tell(1);
      await new Promise((resolve) => setTimeout(resolve, retryMs(failures)));
    }
  };
