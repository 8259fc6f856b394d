import { afterAll, beforeAll, expect } from 'vitest';
import type { ClassItem, Post } from '@glen/contract';
import { postOf, startSchool, until, type Browser, type School } from './support.js';

/** What tests of posts ask again and again of a school, as one of its hosts. */
export function postTools(school: School, host: Browser) {
  const of = (letters: string): ClassItem => school.classes.get(letters)!;
  const stream = (letters: string, more: object = {}): object => ({
    classId: of(letters).id,
    kind: 'stream',
    ...more,
  });
  const send = (letters: string, body: object) =>
    host.post(`/api/classes/${of(letters).id}/posts`, {
      words: 'Bring dividers.',
      linkWords: 'Join {title}, {date} {time}',
      ...body,
    });
  const post = async (letters: string, body: object): Promise<Post> => {
    const { body: answer, status } = await send(letters, body);
    expect({ status, errors: answer.errors }).toEqual({ status: 200, errors: undefined });
    return answer.post;
  };
  const read = (id: number): Promise<Post> => postOf(host, id);
  const reach = (id: number, wished: (p: Post) => boolean): Promise<Post> =>
    until(() => read(id), wished);
  const settled = (p: Post): boolean => p.deliveries.every((d) => !d.pending);

  /** What a reader finds on the course site's page of a class. */
  const page = async (ref: string, email = 'o.marsh@merrow.example'): Promise<string> =>
    (
      await fetch(`${school.courseSite}/class/${ref}`, {
        headers: { Cookie: `board_reader=${email}` },
      })
    ).text();
  const pageShows = (
    ref: string,
    wished: (text: string) => boolean,
    email?: string,
  ): Promise<string> => until(() => page(ref, email), wished);
  const times = (text: string, words: string): number => text.split(words).length - 1;
  /** The series that holds a session of a class period on the demo's day. */
  const todays = async (
    letters: string,
  ): Promise<{ seriesId: number; key: string; version: number; id: number; time: string }> =>
    (await host.get(`/api/classes/${of(letters).id}`)).body.sessions.find(
      (s: { date: string }) => s.date === '2026-10-14',
    );
  return { of, stream, send, post, read, reach, settled, page, pageShows, times, todays };
}

/** The same for a whole file, which has a school of its own; there from its first test on. */
export function withPosts(): PostTools & { school: School; host: Browser } {
  const tools = {} as PostTools & { school: School; host: Browser };
  beforeAll(async () => {
    const school = await startSchool();
    const host = await school.as('Ottoline Marsh');
    Object.assign(tools, { school, host, ...postTools(school, host) });
  });
  afterAll(() => tools.school.stop());
  return tools;
}

export type PostTools = ReturnType<typeof postTools>;
