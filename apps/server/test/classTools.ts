import type { Answer, ClassItem, Sent } from '@glen/contract';
import type { Browser } from './support.js';

/** Somebody whom the school does not know yet. */
export const ansel = { name: 'Ansel Grue', email: 'A.Grue@harbour.example' };

/** What a teacher does to class periods of their own; `teacher` is asked each time, as each test has another. */
export const classTools = (teacher: () => Browser) => ({
  make: async (more: Partial<Sent<'addClass'>> = {}): Promise<ClassItem> => {
    const { body } = await teacher().post('/api/classes', {
      title: 'Bookbinding, Tuesday group',
      ...more,
    });
    return body.class;
  },
  add: (id: number, people: object[]) => teacher().post(`/api/classes/${id}/roll`, { people }),
  rollOf: async (id: number) =>
    ((await teacher().get(`/api/classes/${id}`)).body as Answer<'classPeriod'>).roll,
});
