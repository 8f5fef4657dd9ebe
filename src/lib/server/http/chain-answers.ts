import { json } from '@sveltejs/kit';
import type { EntityManager } from '@mikro-orm/postgresql';
import { knownGestures, undoSteps, type Chain, type Step } from '../stores/chain';
import { readQuery } from './read-query';
import { knownQuerySchema } from './schemas';

const NO_STORE = { headers: { 'cache-control': 'no-store' } };

/**
 * Answers what a page asks of a chain: with `known` in the query, which of these gestures are saved and as which number;
 * else the newest version and where undo and redo lead from it.
 * @param name what the content is called in the answer
 * @param write content as it is sent
 */
export async function chainAnswer<T>(
  em: EntityManager,
  chain: Chain<T>,
  url: URL,
  name: string,
  write: (content: T) => unknown,
): Promise<Response> {
  const { known } = readQuery(url, knownQuerySchema);
  if (known) return json({ known: await knownGestures(em, chain as Chain<unknown>, known) }, NO_STORE);
  const { past, future } = await undoSteps(em, chain);
  const written = (steps: readonly Step<T>[]) => steps.map(({ content, ...step }) => ({ ...step, [name]: write(content) }));
  return json({ past: written(past), future: written(future), current: await chain.current(em) }, NO_STORE);
}
