import { betterAuth } from 'better-auth';
import { hashed, isHashOf } from '../guard/hashing';
import { ROLES, type Role, type Who } from '../guard/who';
import { pool } from '../database/pool';

/** Who does nothing for this long signs in again. @source OWASP ASVS 4.0.3, 3.3.2 */
const IDLE_S = 30 * 60;
/** And everybody after this long. @source OWASP ASVS 4.0.3, 3.3.2 */
const WHOLE_MS = 12 * 3600 * 1000;
/** How often it is written down that somebody is still there. */
const SEEN_S = 60;
export const LONGEST_PASSWORD = 128;

const made = { createdAt: 'created_at', updatedAt: 'updated_at' } as const;

function makeAuth() {
  const origin = process.env['ORIGIN'] ?? '';
  const isSecure = origin.startsWith('https:');
  return betterAuth({
    baseURL: origin,
    secret: process.env['SIGN_IN_SECRET'] ?? '',
    database: pool(),
    telemetry: { enabled: false },
    logger: { disabled: true },
    // Counted by our own limits, for every process together.
    rateLimit: { enabled: false },
    emailAndPassword: {
      enabled: true,
      disableSignUp: true,
      maxPasswordLength: LONGEST_PASSWORD,
      password: { hash: hashed, verify: ({ hash, password }) => isHashOf(hash, password) },
    },
    user: {
      modelName: 'person',
      fields: { emailVerified: 'email_verified', ...made },
      additionalFields: {
        studioId: { type: 'string', fieldName: 'studio_id', input: false },
        role: { type: 'string', input: false },
        endedAt: { type: 'date', fieldName: 'ended_at', required: false, input: false },
        passwordUntil: { type: 'date', fieldName: 'password_until', required: false, input: false },
      },
    },
    session: {
      expiresIn: IDLE_S,
      updateAge: SEEN_S,
      fields: { userId: 'person_id', expiresAt: 'expires_at', ipAddress: 'ip_address', userAgent: 'user_agent', ...made },
      // Every question asks the database: an ended session is dead at once, in every process.
      cookieCache: { enabled: false },
    },
    account: {
      fields: {
        userId: 'person_id',
        accountId: 'account_id',
        providerId: 'provider_id',
        accessToken: 'access_token',
        refreshToken: 'refresh_token',
        idToken: 'id_token',
        accessTokenExpiresAt: 'access_token_expires_at',
        refreshTokenExpiresAt: 'refresh_token_expires_at',
        ...made,
      },
    },
    verification: { fields: { expiresAt: 'expires_at', ...made } },
    advanced: {
      database: { generateId: false },
      cookiePrefix: 'lucky',
      // The prefix keeps every other host from setting it. @source RFC 6265bis, 4.1.3
      useSecureCookies: false,
      cookies: {
        session_token: { name: isSecure ? '__Host-lucky' : 'lucky', attributes: { secure: isSecure, sameSite: 'lax', path: '/' } },
      },
    },
  });
}
let kept: ReturnType<typeof makeAuth> | undefined;
const auth = () => (kept ??= makeAuth());

/** What a person's row holds beside what the package knows. */
interface Own {
  readonly studioId: string;
  readonly role: unknown;
  readonly endedAt?: Date | null;
  readonly passwordUntil?: Date | null;
}
/** Whether nobody comes in with this row: its person has left, or never chose a password in time. */
const isShut = ({ endedAt, passwordUntil }: Own): boolean =>
  Boolean(endedAt) || (passwordUntil ? new Date(passwordUntil) < new Date() : false);

const isRole = (role: unknown): role is Role => ROLES.includes(role as Role);

export interface Seen {
  readonly who: Who | undefined;
  /** Cookies that the answer should set. */
  readonly cookies: readonly string[];
}

/** Who is behind a request, looked up anew each time. @param quietly without counting as being there */
export async function seen(headers: Headers, { quietly = false } = {}): Promise<Seen> {
  const { response, headers: set } = await auth().api.getSession({
    headers,
    query: quietly ? { disableRefresh: true } : {},
    returnHeaders: true,
  });
  const cookies = set?.getSetCookie() ?? [];
  if (!response) return { who: undefined, cookies };
  const { session, user } = response;
  const own = user as unknown as Own;
  const { studioId: studio, role } = own;
  const isOver = Date.now() - new Date(session.createdAt).getTime() > WHOLE_MS;
  if (isOver || isShut(own) || !isRole(role)) {
    await endSession(session.token);
    return { who: undefined, cookies };
  }
  const person = { id: user.id, name: user.name, email: user.email, session: session.id, mustChoose: Boolean(own.passwordUntil) };
  return { who: { person, studio, role }, cookies };
}

/** Signs somebody in. @returns the cookies to set; nothing where address and password do not belong together, whichever it is */
export async function signedIn(headers: Headers, email: string, password: string): Promise<readonly string[] | undefined> {
  try {
    const { response, headers: set } = await auth().api.signInEmail({ body: { email, password }, headers, returnHeaders: true });
    // Rows of sessions that are over are of no use to anybody. @source OWASP ASVS 4.0.3, 8.3.8
    await pool().query('delete from "session" where "expires_at" < now()');
    if (!isShut(response.user as unknown as Own)) return set.getSetCookie();
    await endSession(response.token);
    return undefined;
  } catch (error) {
    const { statusCode } = error as { statusCode?: number };
    if (statusCode === 401 || statusCode === 400) return undefined;
    throw error;
  }
}

/** Ends the session behind a request. @returns the cookies to set */
export async function signedOut(headers: Headers): Promise<readonly string[]> {
  const { headers: set } = await auth().api.signOut({ headers, returnHeaders: true });
  return set.getSetCookie();
}

const endSession = async (token: string): Promise<void> => void (await pool().query('delete from "session" where "token" = $1', [token]));
