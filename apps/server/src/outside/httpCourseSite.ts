import type { CourseSite, Listed, ThingKind } from './courseSite.js';
import { askOutside } from './outsideError.js';

const PATHS: Record<ThingKind, string> = {
  post: 'stream',
  section: 'sections',
  item: 'items',
  event: 'calendar',
};

/** The course site that speaks docs/protocols/course-site.md. */
export function httpCourseSite({ url, token }: { url: string; token: string }): CourseSite {
  const address = (classRef: string, kind: ThingKind, key?: string): string =>
    `${url}/api/classes/${encodeURIComponent(classRef)}/${PATHS[kind]}${key === undefined ? '' : `/${encodeURIComponent(key)}`}`;
  const ask = (to: string, method: string, body?: unknown): Promise<Response> =>
    askOutside('The course site', to, {
      method,
      headers: { Authorization: `Bearer ${token}`, 'Content-Type': 'application/json' },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
  return {
    publish: async ({ classRef, key, revision, thing: { kind, ...body } }) => {
      await ask(address(classRef, kind, key), 'PUT', { revision, ...body });
    },
    withdraw: async ({ classRef, key, revision, kind }) => {
      await ask(`${address(classRef, kind, key)}?revision=${revision}`, 'DELETE');
    },
    list: async (classRef, kind) =>
      ((await (await ask(address(classRef, kind), 'GET')).json()) as { items: Listed[] }).items,
    classAddress: (classRef) => `${url}/class/${encodeURIComponent(classRef)}`,
  };
}
