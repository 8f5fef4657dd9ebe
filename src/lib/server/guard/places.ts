import type { Role } from './who';

/** Who may come to a place: anybody at all, people with a role or more, or nobody. */
export type Needed = 'anyone' | Role | 'nobody';
interface Place {
  /** The beginning of its routes’ ids. */
  readonly under: string;
  /** For GET and HEAD. */
  readonly read: Needed;
  /** For all that may change something. */
  readonly write: Needed;
}

/** Every place of the app and whom it lets in. A route that stands nowhere here lets in nobody: a new one has to be thought of. */
export const PLACES: readonly Place[] = [
  // Looks at its own address, word and limits.
  { under: '/c/[token]', read: 'anyone', write: 'anyone' },
  { under: '/sign-in', read: 'anyone', write: 'anyone' },
  { under: '/api/health', read: 'anyone', write: 'nobody' },
  { under: '/sign-out', read: 'nobody', write: 'viewer' },
  { under: '/you', read: 'viewer', write: 'viewer' },
  { under: '/people', read: 'owner', write: 'owner' },
  { under: '/brands', read: 'viewer', write: 'designer' },
  { under: '/library', read: 'viewer', write: 'designer' },
  { under: '/fonts', read: 'viewer', write: 'nobody' },
  { under: '/api/art', read: 'viewer', write: 'nobody' },
  { under: '/api/brand-files', read: 'viewer', write: 'designer' },
  { under: '/api/brands', read: 'viewer', write: 'designer' },
  { under: '/api/events', read: 'viewer', write: 'nobody' },
  { under: '/api/fonts', read: 'viewer', write: 'nobody' },
];

/** Whom a route lets in. @param route its id; the studio's own page is “/” */
export function neededFor(route: string, method: string): Needed {
  const reads = method === 'GET' || method === 'HEAD' || method === 'OPTIONS';
  if (route === '/') return reads ? 'viewer' : 'nobody';
  const place = PLACES.find(({ under }) => route === under || route.startsWith(`${under}/`));
  return place ? place[reads ? 'read' : 'write'] : 'nobody';
}
