/** Somebody in front of a browser without scripts: their cookies, and the forms they send. */
export class Visitor {
  #cookies = new Map<string, string>();

  constructor(readonly home: string) {}

  get cookie(): string {
    return [...this.#cookies].map(([name, value]) => `${name}=${value}`).join('; ');
  }
  set cookie(line: string) {
    this.#cookies = new Map(line.split('; ').map((pair) => [pair.slice(0, pair.indexOf('=')), pair.slice(pair.indexOf('=') + 1)]));
  }

  async ask(path: string, init: RequestInit = {}): Promise<Response> {
    const response = await fetch(this.home + path, {
      redirect: 'manual',
      ...init,
      headers: { ...(this.cookie ? { cookie: this.cookie } : {}), ...init.headers },
    });
    for (const line of response.headers.getSetCookie()) {
      const [pair = ''] = line.split(';');
      const [name, value] = [pair.slice(0, pair.indexOf('=')), pair.slice(pair.indexOf('=') + 1)];
      if (value === '' || /max-age=0/i.test(line)) this.#cookies.delete(name);
      else this.#cookies.set(name, value);
    }
    return response;
  }

  send(path: string, method: string, body: unknown): Promise<Response> {
    return this.ask(path, { method, headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) });
  }

  form(path: string, fields: Readonly<Record<string, string>>): Promise<Response> {
    return this.ask(path, {
      method: 'POST',
      headers: { accept: 'text/html', 'content-type': 'application/x-www-form-urlencoded', origin: this.home },
      body: new URLSearchParams(fields),
    });
  }

  signIn(email: string, password: string): Promise<Response> {
    return this.form('/sign-in', { email, password });
  }

  /** Signs in for the first time, and chooses a password. */
  async arrive(email: string, first: string, own: string): Promise<this> {
    await this.signIn(email, first);
    await this.form('/you?/password', { present: first, next: own });
    return this;
  }
}
