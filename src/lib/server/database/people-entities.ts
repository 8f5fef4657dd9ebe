import { defineEntity, p } from '@mikro-orm/core';
import type { Role } from '../guard/who';

/** Those who work together: their brands and people are seen by nobody else of the installation. */
export const Studio = defineEntity({
  name: 'Studio',
  tableName: 'studio',
  properties: { id: p.uuid().primary(), name: p.text(), createdAt: p.datetime() },
});

/** Somebody of a studio, and what they may do there. */
export const Person = defineEntity({
  name: 'Person',
  tableName: 'person',
  properties: {
    id: p.uuid().primary(),
    studio: () => p.manyToOne(Studio),
    name: p.text(),
    email: p.text(),
    emailVerified: p.boolean().default(true),
    role: p.string().$type<Role>(),
    createdAt: p.datetime(),
    updatedAt: p.datetime(),
    endedAt: p.datetime().nullable(),
    /** Until when a password that somebody else chose for them is good for choosing their own; nothing once they have. */
    passwordUntil: p.datetime().nullable(),
  },
});

/** How somebody signs in: the hash of their password. */
export const Account = defineEntity({
  name: 'Account',
  tableName: 'account',
  properties: {
    id: p.uuid().primary(),
    person: () => p.manyToOne(Person),
    accountId: p.text(),
    providerId: p.text().default('credential'),
    password: p.text().nullable(),
    createdAt: p.datetime(),
    updatedAt: p.datetime(),
  },
});

/** Somebody who is signed in on some device. */
export const Session = defineEntity({
  name: 'Session',
  tableName: 'session',
  properties: {
    id: p.uuid().primary(),
    person: () => p.manyToOne(Person),
    token: p.text(),
    expiresAt: p.datetime(),
    ipAddress: p.text().nullable(),
    userAgent: p.text().nullable(),
    createdAt: p.datetime(),
    updatedAt: p.datetime(),
  },
});
