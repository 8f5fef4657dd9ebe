/** How far the app can be reached, from its environment. */
export interface Reach {
  /** Whether people must sign in. */
  readonly signIn: boolean;
  /** What stands in the way of a safe start, in sentences. */
  readonly faults: readonly string[];
}

const LOOPBACK = /^(localhost|127(\.\d{1,3}){3}|::1)$/;
const isLoopback = (host: string): boolean => LOOPBACK.test(host.replace(/^\[|\]$/g, '').toLowerCase());
const SHORTEST_SECRET = 32;

/**
 * Reads from the environment whether anything beyond this machine can reach the app: by the address it is bound to (HOST), by names it
 * answers to (ALLOWED_HOSTS), by the address that pages are shown under (ORIGIN).
 */
export function reachOf(env: Readonly<Record<string, string | undefined>>): Reach {
  const { HOST = '127.0.0.1', ALLOWED_HOSTS = '', ORIGIN = '', SIGN_IN = '', SIGN_IN_SECRET = '' } = env;
  const origin = URL.canParse(ORIGIN) ? new URL(ORIGIN) : undefined;
  const names = [HOST, ...ALLOWED_HOSTS.split(',').map((name) => name.trim()), origin?.hostname ?? ''].filter(Boolean);
  const beyond = names.filter((name) => !isLoopback(name));
  const signIn = beyond.length > 0 || SIGN_IN === '1';
  if (!signIn) return { signIn, faults: [] };
  return {
    signIn,
    faults: [
      ...(SIGN_IN_SECRET.length < SHORTEST_SECRET ? [`SIGN_IN_SECRET must hold at least ${SHORTEST_SECRET} letters.`] : []),
      ...(!origin ? ['ORIGIN must be the address that people open, such as https://studio.example.'] : []),
      ...(origin && beyond.length > 0 && origin.protocol !== 'https:'
        ? ['ORIGIN must begin with https: passwords do not travel in the clear.']
        : []),
    ],
  };
}

let known: Reach | undefined;
export const ownReach = (): Reach => (known ??= reachOf(process.env));
/** Whether people must sign in to this process. */
export const needsSignIn = (): boolean => ownReach().signIn;
