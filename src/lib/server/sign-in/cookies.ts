import type { Cookies } from '@sveltejs/kit';

/** Sets cookies that were made elsewhere as lines of a header. @source RFC 6265, 4.1.1 */
export function setCookies(cookies: Cookies, lines: readonly string[]): void {
  for (const line of lines) {
    const [pair = '', ...rest] = line.split(/;\s*/);
    const at = pair.indexOf('=');
    const said = new Map(rest.map((each) => each.split('=')).map(([name = '', value = '']) => [name.toLowerCase(), value]));
    cookies.set(pair.slice(0, at), decodeURIComponent(pair.slice(at + 1)), {
      path: said.get('path') ?? '/',
      httpOnly: true,
      sameSite: 'lax',
      secure: said.has('secure'),
      ...(said.has('max-age') ? { maxAge: Number(said.get('max-age')) } : {}),
    });
  }
}
