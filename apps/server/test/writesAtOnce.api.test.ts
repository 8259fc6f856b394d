import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { startSchool, type School } from './support.js';

const WRITES = 200;

let school: School;
beforeAll(async () => {
  school = await startSchool();
});
afterAll(() => school.stop());

describe('many who save at once', () => {
  it('are all answered, and what each saved is there once', async () => {
    const teacher = await school.as('Ottoline Marsh');
    const { id } = school.classes.get('N1')!;
    const title = (n: number): string => `Extra hour ${n}`;
    const answers = await Promise.all(
      Array.from({ length: WRITES }, (_, n) =>
        teacher.post(`/api/classes/${id}/sessions`, {
          title: title(n),
          description: '',
          plan: { first: '2026-10-17', at: { time: '18:00', minutes: 30 }, closures: 'keep' },
        }),
      ),
    );
    const refused = answers.filter((answer) => answer.status !== 200).map((answer) => answer.body);
    expect(refused).toEqual([]);
    const saved = await school.running.glen.db.models.Series.findAll({ where: { class_id: id } });
    for (let n = 0; n < WRITES; n++)
      expect(saved.filter((series) => series.title === title(n))).toHaveLength(1);
  });
});
