/** What somebody may do in their studio; each may also do what those before may. */
export const ROLES = ['viewer', 'designer', 'owner'] as const;
export type Role = (typeof ROLES)[number];

/** Somebody who is signed in. */
export interface SignedIn {
  readonly id: string;
  readonly name: string;
  readonly email: string;
  /** The session that they are signed in by. */
  readonly session: string;
  /** Whether they have to choose a password of their own first. */
  readonly mustChoose: boolean;
}

/** Who is asking. Without sign-in everybody is the owner of the one studio, and nobody has a name. */
export interface Who {
  readonly person: SignedIn | undefined;
  readonly studio: string;
  readonly role: Role;
}

/** Whether a role is enough for what needs another one. */
export const suffices = (role: Role, needed: Role): boolean => ROLES.indexOf(role) >= ROLES.indexOf(needed);
