import { redirect } from '@sveltejs/kit';
import { deviceOf } from '$lib/server/http/author';
import { formAction, readForm } from '$lib/server/http/form-action';
import { load as withWork } from '$lib/server/http/load';
import { passwordSchema, personSchema } from '$lib/server/http/schemas';
import type { Who } from '$lib/server/guard/who';
import { choosePassword, endOwnSession, sessionsOf } from '$lib/server/sign-in/people';
import { LONGEST_PASSWORD } from '$lib/server/sign-in/sessions';
import { SHORTEST_PASSWORD } from '$lib/server/sign-in/passwords';
import { count } from '$lib/server/guard/limits';
import type { Actions, PageServerLoad } from './$types';

/** Whoever is signed in; where nobody signs in, nobody has a page of their own. */
function signedIn(who: Who | undefined) {
  if (!who?.person) redirect(303, '/');
  return { ...who.person, studio: who.studio };
}

export const load: PageServerLoad = ({ locals: { who } }) => {
  const { id, name, email, session, mustChoose } = signedIn(who);
  return withWork(async (em) => ({
    ...{ name, email, mustChoose, shortest: SHORTEST_PASSWORD, longest: LONGEST_PASSWORD },
    sessions: await sessionsOf(em, id, session, deviceOf),
  }));
};

export const actions: Actions = {
  password: async (event) => {
    const { id, session, mustChoose } = signedIn(event.locals.who);
    const answer = await formAction(async (em) => {
      await count('account', id);
      await choosePassword(em, id, session, await readForm(event, passwordSchema));
      return { done: 'Your password is changed. On other devices you are signed out.' };
    });
    if (mustChoose && 'done' in answer) redirect(303, '/');
    return answer;
  },
  end: async (event) => {
    const { id, studio } = signedIn(event.locals.who);
    return formAction(async (em) => {
      await endOwnSession(em, studio, id, (await readForm(event, personSchema)).id);
      return { done: 'That device is signed out.' };
    });
  },
};
