import type { LayoutServerLoad } from './$types';

/** Who is signed in, for the top line of every room; nobody where nobody signs in, and under a client's link. */
export const load: LayoutServerLoad = ({ locals: { who } }) => ({
  signedIn: who?.person ? { id: who.person.id, name: who.person.name, role: who.role } : undefined,
});
