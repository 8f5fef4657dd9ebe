import { randomUUID } from 'node:crypto';
import type { EntityManager } from '@mikro-orm/postgresql';
import { Account, Person, Session, Studio } from '../database/people-entities';
import { tellMoved } from '../events';
import { hashed, isHashOf } from '../guard/hashing';
import type { Role } from '../guard/who';
import { author } from '../http/author';
import { notFound, refuse } from '../http/problem-error';
import { firstPassword, soundPassword } from './passwords';

/** Somebody of a studio, as its owner sees them. */
export interface PersonView {
  readonly id: string;
  readonly name: string;
  readonly email: string;
  readonly role: Role;
  readonly ended: boolean;
  /** Whether they have not chosen a password of their own yet. */
  readonly waits: boolean;
  /** On how many devices they are signed in. */
  readonly sessions: number;
}
export interface StudioView {
  readonly id: string;
  readonly name: string;
}

/** A password that was handed over is good for this long. @source OWASP ASVS 4.0.3, 2.3.1 */
const FIRST_PASSWORD_MS = 3 * 24 * 3600 * 1000;
const isUuid = (id: string) => /^[0-9a-f-]{36}$/.test(id);
const nobody = () => notFound('person of this studio');

/** Writes down what was done, and tells every process, so that what somebody may no longer see ends at once. */
async function noted(tx: EntityManager, studio: string, person: string | null, what: string): Promise<void> {
  const { name, from } = author();
  await tx.execute('insert into "people_event" ("studio_id", "person_id", "what", "by_whom", "from_where") values (?, ?, ?, ?, ?)', [
    ...[studio, person, what, name, from],
  ]);
  await tellMoved(tx, { subject: `people:${studio}`, revision: 0 });
}

/** Everybody of a studio, those who left last. */
export async function listPeople(em: EntityManager, studio: string): Promise<readonly PersonView[]> {
  const people = await em.fork().find(Person, { studio }, { orderBy: { endedAt: 'asc nulls first', createdAt: 'asc' } });
  const open = await em.fork().find(Session, { person: { studio }, expiresAt: { $gt: new Date() } }, { fields: ['person'] });
  return people.map(({ id, name, email, role, endedAt, passwordUntil }) => ({
    ...{ id, name, email, role, ended: Boolean(endedAt), waits: Boolean(passwordUntil) },
    sessions: open.filter(({ person }) => person.id === id).length,
  }));
}

/** The last things that were done to people of a studio, the newest first. */
export const peopleEvents = async (em: EntityManager, studio: string) =>
  (
    (await em.execute(
      `select e."what", e."by_whom" as "by", e."from_where" as "from", e."at", p."name" from "people_event" e
        left join "person" p on p."id" = e."person_id" where e."studio_id" = ? order by e."id" desc limit 50`,
      [studio],
    )) as readonly {
      readonly what: string;
      readonly by: string;
      readonly from: string;
      readonly at: Date | string;
      readonly name: string | null;
    }[]
  ).map((row) => ({ ...row, at: new Date(row.at).toISOString() }));

export interface NewPerson {
  readonly name: string;
  readonly email: string;
  readonly role: Role;
}

/** Takes somebody in. @returns the password that lets them in once, said here and stored nowhere */
export async function addPerson(em: EntityManager, studio: string, { name, email, role }: NewPerson): Promise<string> {
  const password = firstPassword();
  const hash = await hashed(password);
  await em.fork().transactional(async (tx) => {
    const address = email.toLowerCase();
    if (await tx.findOne(Person, { email: address }))
      throw refuse(409, 'known-address', 'Somebody has this address already.', 'Take another address.');
    const now = new Date();
    const id = randomUUID();
    const times = { createdAt: now, updatedAt: now };
    tx.create(Person, {
      ...{ id, studio, name, email: address, emailVerified: true, role, endedAt: null, ...times },
      passwordUntil: new Date(now.getTime() + FIRST_PASSWORD_MS),
    });
    tx.create(Account, { id: randomUUID(), person: id, accountId: id, providerId: 'credential', password: hash, ...times });
    await tx.flush();
    await noted(tx, studio, id, `taken in as ${role}`);
  });
  return password;
}

/** Changes what somebody may do, or ends or reopens their access. @throws where the studio would be left without an owner */
export async function changePerson(
  em: EntityManager,
  studio: string,
  id: string,
  { role, ended }: { readonly role?: Role | undefined; readonly ended?: boolean | undefined },
): Promise<void> {
  await em.fork().transactional(async (tx) => {
    // Two owners who take each other's role away at the same moment must not leave none.
    await tx.execute('select 1 from "studio" where "id" = ? for update', [studio]);
    const person = isUuid(id) ? await tx.findOne(Person, { id, studio }) : null;
    if (!person) throw nobody();
    if (role !== undefined) person.role = role;
    if (ended !== undefined) person.endedAt = ended ? new Date() : null;
    person.updatedAt = new Date();
    await tx.flush();
    if ((await tx.count(Person, { studio, role: 'owner', endedAt: null })) === 0)
      throw refuse(422, 'no-owner', 'A studio has an owner at all times.', 'Make somebody else an owner first.');
    if (ended) await tx.nativeDelete(Session, { person: id });
    const words = [
      ...(role === undefined ? [] : [`is ${role} now`]),
      ...(ended === undefined ? [] : [ended ? 'access ended' : 'access opened again']),
    ];
    await noted(tx, studio, id, words.join(', '));
  });
}

/** Gives somebody a new password to come in once; wherever they are signed in, they no longer are. @returns the password */
export async function resetPassword(em: EntityManager, studio: string, id: string): Promise<string> {
  const password = firstPassword();
  const hash = await hashed(password);
  await em.fork().transactional(async (tx) => {
    const person = isUuid(id) ? await tx.findOne(Person, { id, studio }) : null;
    if (!person) throw nobody();
    person.passwordUntil = new Date(Date.now() + FIRST_PASSWORD_MS);
    await tx.nativeUpdate(Account, { person: id, providerId: 'credential' }, { password: hash, updatedAt: new Date() });
    await tx.nativeDelete(Session, { person: id });
    await tx.flush();
    await noted(tx, studio, id, 'given a new password');
  });
  return password;
}

/** Chooses somebody's own password; all their other sessions end. @throws where the present one is wrong or the new one is weak */
export async function choosePassword(
  em: EntityManager,
  id: string,
  session: string,
  { present, next }: { readonly present: string; readonly next: string },
): Promise<void> {
  const account = await em.fork().findOneOrFail(Account, { person: id, providerId: 'credential' }, { populate: ['person'] });
  const { person } = account;
  if (!(await isHashOf(account.password ?? '', present)))
    throw refuse(403, 'wrong-password', 'That is not your present password.', 'Enter it again.');
  if (next === present) throw refuse(422, 'same-password', 'That is the password you have.', 'Choose another one.');
  const hash = await hashed(soundPassword(next, [person.name, person.email]));
  await em.fork().transactional(async (tx) => {
    await tx.nativeUpdate(Account, { id: account.id }, { password: hash, updatedAt: new Date() });
    await tx.nativeUpdate(Person, { id }, { passwordUntil: null, updatedAt: new Date() });
    await tx.nativeDelete(Session, { person: id, id: { $ne: session } });
    await noted(tx, person.studio.id, id, 'chose a password');
  });
}

export interface SessionView {
  readonly id: string;
  readonly here: boolean;
  readonly device: string;
  readonly since: string;
  readonly seen: string;
}
/** Where somebody is signed in. */
export const sessionsOf = async (
  em: EntityManager,
  person: string,
  here: string,
  deviceOf: (agent: string) => string,
): Promise<readonly SessionView[]> =>
  (await em.fork().find(Session, { person, expiresAt: { $gt: new Date() } }, { orderBy: { createdAt: 'desc' } })).map((row) => ({
    ...{ id: row.id, here: row.id === here, device: deviceOf(row.userAgent ?? '') },
    ...{ since: row.createdAt.toISOString(), seen: row.updatedAt.toISOString() },
  }));

/** Ends one of somebody's own sessions. */
export async function endOwnSession(em: EntityManager, studio: string, person: string, session: string): Promise<void> {
  await em.fork().transactional(async (tx) => {
    const ended = isUuid(session) ? await tx.nativeDelete(Session, { id: session, person }) : 0;
    if (ended === 0) throw notFound('session of yours');
    await noted(tx, studio, person, 'ended a session');
  });
}

/** Writes down that somebody signed in or out, or could not. */
export const noteSignIn = (em: EntityManager, studio: string, person: string, what: string): Promise<void> =>
  em.fork().transactional((tx) => noted(tx, studio, person, what));

/** The person with an address, for what is written down of them. */
export const personOf = (em: EntityManager, email: string) =>
  em.fork().findOne(Person, { email: email.toLowerCase() }, { fields: ['id', 'studio'] });

export const listStudios = async (em: EntityManager): Promise<readonly StudioView[]> =>
  (await em.fork().find(Studio, {}, { orderBy: { createdAt: 'asc' } })).map(({ id, name }) => ({ id, name }));
export const studioName = async (em: EntityManager, id: string): Promise<string> => (await em.fork().findOneOrFail(Studio, { id })).name;

/** Makes one more studio of this installation. */
export async function makeStudio(em: EntityManager, name: string): Promise<string> {
  const fork = em.fork();
  const id = randomUUID();
  fork.create(Studio, { id, name, createdAt: new Date() });
  await fork.flush();
  return id;
}
export const renameStudio = async (em: EntityManager, id: string, name: string): Promise<void> =>
  void (await em.fork().nativeUpdate(Studio, { id }, { name }));
/** How many owners can sign in, over all studios: none, and nobody could ever come in. */
export const countOwners = (em: EntityManager): Promise<number> => em.fork().count(Person, { role: 'owner', endedAt: null });
