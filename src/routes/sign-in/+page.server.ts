import { fail, redirect } from '@sveltejs/kit';
import { count } from '$lib/server/guard/limits';
import { needsSignIn } from '$lib/server/guard/reach';
import { formAction, readForm } from '$lib/server/http/form-action';
import { signInSchema } from '$lib/server/http/schemas';
import type { Actions, PageServerLoad } from './$types';

const OURS = 'http://ours.invalid';
/** Where to go on afterwards: a page of ours and nothing else. @source OWASP ASVS 4.0.3, 5.1.5 */
function pageOfOurs(to: string | null | undefined): string {
  const url = to && URL.canParse(to, OURS) ? new URL(to, OURS) : undefined;
  // Several slashes at its beginning would lead to another host after all.
  return url?.origin === OURS && to?.startsWith('/') ? url.pathname.replace(/^\/+/, '/') + url.search : '/';
}

export const load: PageServerLoad = ({ url, setHeaders }) => {
  if (!needsSignIn()) redirect(303, '/');
  setHeaders({ 'cache-control': 'no-store' });
  return { to: pageOfOurs(url.searchParams.get('to')) };
};

export const actions: Actions = {
  default: async (event) => {
    if (!needsSignIn()) redirect(303, '/');
    const [{ signedIn, signedOut }, { noteSignIn, personOf }, { setCookies }] = await Promise.all([
      import('$lib/server/sign-in/sessions'),
      import('$lib/server/sign-in/people'),
      import('$lib/server/sign-in/cookies'),
    ]);
    let to: string | undefined;
    const answer = await formAction(async (em) => {
      const { email, password, to: wanted } = await readForm(event, signInSchema);
      await count('sign-in', event.getClientAddress());
      await count('account', email.toLowerCase());
      const cookies = await signedIn(event.request.headers, email, password);
      const person = await personOf(em, email);
      if (!cookies) {
        if (person)
          await noteSignIn(em, person.studio.id, person.id, 'could not sign in: the password was not right, or their access has ended');
        return fail(401, { fault: 'Address and password do not belong together, or this access has ended.', email });
      }
      // Whoever was signed in here before no longer is: the session is a new one, never one that was there already.
      await signedOut(event.request.headers).catch(() => []);
      setCookies(event.cookies, cookies);
      if (person) await noteSignIn(em, person.studio.id, person.id, 'signed in');
      to = pageOfOurs(wanted);
      return undefined;
    });
    if (to !== undefined) redirect(303, to);
    return answer;
  },
};
