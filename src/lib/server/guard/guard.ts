import { error, redirect, type RequestEvent } from '@sveltejs/kit';
import { HOME_STUDIO } from '../http/author';
import { problemResponse } from '../http/answer';
import { ProblemError, refuse } from '../http/problem-error';
import { asRefusal } from '../http/refusals';
import { neededFor } from './places';
import { needsSignIn } from './reach';
import { suffices, type Who } from './who';

/** Without sign-in, on loopback: whoever sits at this machine. */
export const EVERYBODY: Who = { person: undefined, studio: HOME_STUDIO, role: 'owner' };
/** Places where one chooses a password, or leaves. */
const BEFORE_CHOOSING = ['/you', '/sign-out'];

const SIGN_IN_FIRST = refuse(401, 'sign-in', 'You are not signed in, or no longer.', 'Sign in, then go on: what you did is not lost.');
const NOT_YOURS = refuse(403, 'not-allowed', 'Your role in this studio does not allow that; nothing was changed.', 'Ask the owner.');
const ELSEWHERE = refuse(403, 'cross-site', 'This was sent by a page of another site; nothing was changed.');

const isPage = ({ route }: RequestEvent): boolean => !/^\/(api|fonts)\//.test(route.id ?? '');

/** Answers a refusal as data or, for a page, as the error page or the way to sign in. */
function refused(event: RequestEvent, refusal: ProblemError): Response {
  if (!isPage(event)) return problemResponse(refusal);
  if (refusal === SIGN_IN_FIRST) redirect(303, `/sign-in?to=${encodeURIComponent(event.url.pathname + event.url.search)}`);
  error(refusal.status, { message: refusal.message });
}

export interface Let {
  readonly who: Who | undefined;
  /** Why not, where not. */
  readonly refusal: Response | undefined;
  /** Cookies that the answer should set. */
  readonly cookies: readonly string[];
}

/** Looks who comes, and whether they may. Every request passes here, before any route sees it. */
export async function letIn(event: RequestEvent): Promise<Let> {
  const { method, headers } = event.request;
  const route = event.route.id;
  const no = (refusal: ProblemError, who?: Who, cookies: readonly string[] = []): Let => {
    // Ids only: what is sent, and what an address says of itself, does not go into a log. @source OWASP ASVS 4.0.3, 7.1.2 and 7.2.2
    const { code } = refusal.problems[0] ?? {};
    if (refusal !== SIGN_IN_FIRST)
      console.warn(`${new Date().toISOString()} refused ${code} ${method} ${route} ${who?.person?.id ?? ''}`.trim());
    return { who, refusal: refused(event, refusal), cookies };
  };
  // @source Fetch Metadata, W3C; browsers that say nothing are held by SameSite and the kit's own check of forms.
  const isWrite = method !== 'GET' && method !== 'HEAD' && method !== 'OPTIONS';
  const site = headers.get('sec-fetch-site');
  if (isWrite && (site === 'cross-site' || site === 'same-site')) return no(ELSEWHERE);
  if (!needsSignIn()) return { who: EVERYBODY, refusal: undefined, cookies: [] };
  const needed = route === null ? 'anyone' : neededFor(route, method);
  if (needed === 'anyone') return { who: undefined, refusal: undefined, cookies: [] };
  if (needed === 'nobody') return no(NOT_YOURS);
  const { seen } = await import('../sign-in/sessions');
  const found = await seen(headers).catch(asRefusal);
  if (found instanceof ProblemError) return no(found);
  const { who, cookies } = found;
  if (!who) return no(SIGN_IN_FIRST, undefined, cookies);
  if (who.person?.mustChoose && !BEFORE_CHOOSING.includes(route ?? '')) {
    if (isPage(event)) redirect(303, '/you');
    return no(SIGN_IN_FIRST, who, cookies);
  }
  if (!suffices(who.role, needed)) return no(NOT_YOURS, who, cookies);
  return { who, refusal: undefined, cookies };
}

/** Whether somebody who came in a while ago may still be here, as the same. Looking does not count as being there. */
export async function isStill(who: Who | undefined, headers: Headers): Promise<boolean> {
  if (!needsSignIn()) return true;
  const { seen } = await import('../sign-in/sessions');
  const now = (await seen(headers, { quietly: true })).who;
  return now !== undefined && now.person?.id === who?.person?.id && now.role === who?.role && now.studio === who?.studio;
}
