import { formAction, readForm } from '$lib/server/http/form-action';
import { load as withWork } from '$lib/server/http/load';
import { newPersonSchema, personChangeSchema, personSchema, studioNameSchema } from '$lib/server/http/schemas';
import { needsSignIn } from '$lib/server/guard/reach';
import { studio } from '$lib/server/http/author';
import { addPerson, changePerson, listPeople, peopleEvents, renameStudio, resetPassword, studioName } from '$lib/server/sign-in/people';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals: { who } }) =>
  withWork(async (em) => ({
    studioName: await studioName(em, studio()),
    people: await listPeople(em, studio()),
    events: await peopleEvents(em, studio()),
    own: who?.person?.id,
    signIn: needsSignIn(),
  }));

export const actions: Actions = {
  add: (event) =>
    formAction(async (em) => {
      const person = await readForm(event, newPersonSchema);
      return { password: await addPerson(em, studio(), person), name: person.name };
    }),
  change: (event) =>
    formAction(async (em) => {
      const { id, ...change } = await readForm(event, personChangeSchema);
      await changePerson(em, studio(), id, change);
      return { done: 'Changed, and in force at once.' };
    }),
  password: (event) =>
    formAction(async (em) => {
      const { id } = await readForm(event, personSchema);
      return {
        password: await resetPassword(em, studio(), id),
        name: (await listPeople(em, studio())).find((one) => one.id === id)?.name ?? '',
      };
    }),
  rename: (event) =>
    formAction(async (em) => {
      await renameStudio(em, studio(), (await readForm(event, studioNameSchema)).name);
      return { done: 'The studio is renamed.' };
    }),
};
