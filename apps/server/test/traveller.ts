import { parseSetCookie } from './cookies.js';
import type { School } from './support.js';

export type ProviderName = 'school' | 'home';

/** A browser that goes from one site to another by itself, with the cookies of each, as people's do. */
export class Traveller {
  private readonly jars = new Map<string, Map<string, string>>();

  constructor(readonly school: School) {}

  private jar(origin: string): Map<string, string> {
    const jar = this.jars.get(origin) ?? new Map<string, string>();
    this.jars.set(origin, jar);
    return jar;
  }

  /** A cookie that Glen's site has set, by the beginning of its name. */
  cookie(name: string): string | undefined {
    const found = [...this.jar(this.school.url)].find(([key]) => key.startsWith(name));
    return found?.[1];
  }

  /** What another browser would do with a cookie that was taken from this one, or without it. */
  setCookie(name: string, value: string | null): void {
    const jar = this.jar(this.school.url);
    const key = [...jar.keys()].find((one) => one.startsWith(name)) ?? name;
    if (value === null) jar.delete(key);
    else jar.set(key, value);
  }

  /** One request; where it is sent on is said, and not followed. */
  async ask(url: string, init: RequestInit = {}): Promise<Response> {
    const { origin } = new URL(url);
    const jar = this.jar(origin);
    const headers = new Headers(init.headers);
    headers.set('Cookie', [...jar].map(([name, value]) => `${name}=${value}`).join('; '));
    const response = await fetch(url, { ...init, headers, redirect: 'manual' });
    for (const { name, value } of response.headers.getSetCookie().map(parseSetCookie)) {
      if (value === '') jar.delete(name);
      else jar.set(name, value);
    }
    return response;
  }

  /** The same at Glen, as its own pages ask. */
  async call(method: 'GET' | 'POST' | 'PUT', path: string, body?: object): Promise<Response> {
    const headers = { 'Content-Type': 'application/json', Origin: this.school.url };
    const sent = body === undefined ? {} : { body: JSON.stringify(body) };
    return this.ask(`${this.school.url}${path}`, { method, headers, ...sent });
  }

  async json<T>(method: 'GET' | 'POST' | 'PUT', path: string, body?: object): Promise<T> {
    return (await (await this.call(method, path, body)).json()) as T;
  }

  /** Follows where it is sent on, until there is a page, or an address of which `stop` says so; gives that address. */
  async follow(
    url: string,
    stop: (url: URL) => boolean = () => false,
  ): Promise<{ url: URL; response: Response | null }> {
    let at = url;
    for (let steps = 0; steps < 12; steps++) {
      if (stop(new URL(at))) return { url: new URL(at), response: null };
      const response = await this.ask(at);
      const next = response.headers.get('location');
      if (!next) return { url: new URL(at), response };
      at = new URL(next, at).href;
    }
    throw new Error('It is sent on and on.');
  }

  /** Begins a sign-on; gives the address at the provider. */
  async begin(
    provider: ProviderName,
    { next = '/', anew = false, join = false } = {},
  ): Promise<string> {
    const begun = await this.json<{ address: string }>('POST', `/api/sign-on/${provider}`, {
      next,
      anew,
      join,
    });
    return begun.address;
  }

  /** Goes to the provider and says who one is there, where it asks; gives the address at Glen that one is sent back to. */
  async goThere(address: string, subject: string): Promise<URL> {
    const isBack = (url: URL): boolean => url.origin === this.school.url;
    const asked = await this.follow(address, isBack);
    if (!asked.response) return asked.url;
    const answer = await this.ask(asked.url.href, {
      method: 'POST',
      body: new URLSearchParams({ subject }),
    });
    const next = new URL(answer.headers.get('location')!, asked.url);
    const end = await this.follow(next.href, isBack);
    return end.response ? this.confirmed(end.response, isBack) : end.url;
  }

  /** Whoever was somebody else there until now is signed out first, by a form that sends itself. */
  private async confirmed(page: Response, stop: (url: URL) => boolean): Promise<URL> {
    const form = await page.text();
    const [, action] = /action="([^"]+)"/.exec(form)!;
    const [, xsrf] = /name="xsrf" value="([^"]+)"/.exec(form)!;
    const body = new URLSearchParams({ xsrf: xsrf!, logout: 'yes' });
    const done = await this.ask(action!, { method: 'POST', body });
    return (await this.follow(done.headers.get('location')!, stop)).url;
  }

  /** Where one is sent on to from the way back. */
  async comeBack(url: URL): Promise<string> {
    const response = await this.ask(url.href);
    return response.headers.get('location') ?? `${response.status}`;
  }

  /** Signs on at a provider as one of its people; gives where one ends up at Glen. */
  async signOn(
    provider: ProviderName,
    subject: string,
    options: Parameters<Traveller['begin']>[1] = {},
  ): Promise<string> {
    return this.comeBack(await this.goThere(await this.begin(provider, options), subject));
  }

  /** The address of the account in use; nothing where nobody is signed in. */
  async me(): Promise<string | null> {
    const { account } = await this.json<{ account: { email: string } | null }>('GET', '/api/me');
    return account?.email ?? null;
  }
}

/** Puts a provider into a trouble. */
export async function troubleAt(
  school: School,
  provider: ProviderName,
  kind: string,
): Promise<void> {
  await fetch(`${school.signOn[provider]}/trouble`, {
    method: 'POST',
    body: new URLSearchParams({ kind }),
    redirect: 'manual',
  });
}

/** Gives somebody an account at a provider, or changes it. */
export async function holderAt(
  school: School,
  provider: ProviderName,
  holder: { subject: string; name: string; email: string; proven?: boolean; groups?: string },
): Promise<void> {
  const { proven = true, ...rest } = holder;
  await fetch(`${school.signOn[provider]}/people`, {
    method: 'POST',
    body: new URLSearchParams({ ...rest, ...(proven ? { proven: 'on' } : {}) }),
    redirect: 'manual',
  });
}
