import type { CourseSite } from './courseSite.js';
import { askOutside } from './outsideError.js';

/** The course site that speaks docs/protocols/course-site.md. */
export function standinCourseSite({ url, token }: { url: string; token: string }): CourseSite {
  const itemUrl = (classRef: string, key: string): string => `${url}/api/classes/${encodeURIComponent(classRef)}/stream/${encodeURIComponent(key)}`;
  const ask = (address: string, method: string, body?: unknown): Promise<Response> =>
    askOutside('The course site', address, {
      method,
      headers: { Authorization: `Bearer ${token}`, 'Content-Type': 'application/json' },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
  return {
    publish: async ({ classRef, key, revision, html, text }) => { await ask(itemUrl(classRef, key), 'PUT', { revision, html, text }); },
    withdraw: async ({ classRef, key, revision }) => { await ask(`${itemUrl(classRef, key)}?revision=${revision}`, 'DELETE'); },
    list: async (classRef) => {
      const response = await ask(`${url}/api/classes/${encodeURIComponent(classRef)}/stream`, 'GET');
      return ((await response.json()) as { items: { key: string; revision: number }[] }).items;
    },
    streamAddress: (classRef) => `${url}/class/${encodeURIComponent(classRef)}`,
  };
}
