import { answer } from '$lib/server/http/answer';
import type { RequestHandler } from './$types';

/** Ends the session of this browser, in every process at once. */
export const POST: RequestHandler = (event) =>
  answer(event, async (em, { request, cookies, locals: { who } }) => {
    if (!who?.person) return new Response(null, { status: 303, headers: { location: '/' } });
    const [{ signedOut }, { noteSignIn }, { setCookies }] = await Promise.all([
      import('$lib/server/sign-in/sessions'),
      import('$lib/server/sign-in/people'),
      import('$lib/server/sign-in/cookies'),
    ]);
    setCookies(cookies, await signedOut(request.headers));
    await noteSignIn(em, who.studio, who.person.id, 'signed out');
    return new Response(null, { status: 303, headers: { location: '/sign-in', 'clear-site-data': '"cache"' } });
  });
