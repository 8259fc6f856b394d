import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { startSchool, type School } from './support.js';

let school: School;
beforeAll(async () => {
  school = await startSchool();
});
afterAll(() => school.stop());

const SAFE = {
  'x-content-type-options': 'nosniff',
  'content-security-policy': "default-src 'none'; frame-ancestors 'none'",
  'referrer-policy': 'no-referrer',
  'cache-control': 'no-store',
};

// Common practice for an API's answers (no source): never kept, never framed, of the type that they name.
describe('what the API answers', () => {
  it('is nobody’s to keep or to frame: data, files, refusals, doors', async () => {
    const teacher = await school.as('Ottoline Marsh');
    const { id, link } = school.classes.get('N1')!;
    const { sessions } = (await teacher.get(`/api/classes/${id}`)).body;
    const answers = await Promise.all([
      teacher.get('/api/today'),
      teacher.get(`/api/door/${link.code}`),
      teacher.get(`/api/series/${sessions[0].seriesId}/calendar`),
      teacher.get('/api/series/999999'),
      teacher.get('/api/people'),
      teacher.get('/api/nothing-here'),
      teacher.post(`/api/classes/${id}/sessions`, {}),
    ]);
    expect(answers.map((answer) => answer.status)).toEqual([200, 200, 200, 404, 403, 404, 422]);
    for (const { headers } of answers) expect(headers).toMatchObject(SAFE);
  });
  it('of a calendar’s address may be kept, if it is asked again each time', async () => {
    const teacher = await school.as('Ottoline Marsh');
    const { own } = (await teacher.post('/api/feeds', {})).body;
    const { headers } = await teacher.get(new URL(own.address).pathname);
    expect(headers).toMatchObject({ ...SAFE, 'cache-control': 'private, no-cache' });
  });
});
