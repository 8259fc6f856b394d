import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Answer, Session } from '@glen/contract';
import { settleByItself } from '../src/features/register/settle.js';
import { linkTools, none } from './linkTools.js';
import { startSchool, type Browser, type School } from './support.js';

// The register of a session, made from who was in when.

let school: School;
let host: Browser;
beforeAll(async () => {
  school = await startSchool();
  host = await school.as('Ottoline Marsh');
});
afterAll(() => school.stop());

const sessionOf = async (letters: string): Promise<Session> => {
  const { id } = school.classes.get(letters)!;
  const { sessions } = (await host.get(`/api/classes/${id}`)).body as Answer<'classPeriod'>;
  return sessions.find((session) => session.date === '2026-10-14')!;
};

const registerOf = async ({ seriesId, key }: Session): Promise<Answer<'register'>> => {
  const answer = await host.get(`/api/series/${seriesId}/register?on=${key}`);
  expect([answer.status, answer.body]).toEqual([200, answer.body]);
  return answer.body as Answer<'register'>;
};

describe('the register', () => {
  it('has the whole roll in a row each, and as many who came as the run sheet says', async () => {
    const lesson = await sessionOf('N1');
    const register = await registerOf(lesson);
    const roll = register.rows.filter((row) => row.status !== 'guest');
    expect(roll).toHaveLength(school.classes.get('N1')!.rollSize);
    const came = roll.filter((row) => row.status !== 'absent');
    expect(came).toHaveLength(lesson.came);
    expect(register.isOver).toBe(true);
    for (const row of came) expect(row.minutes).toBeLessThanOrEqual(lesson.minutes);
  });
  it('knows somebody by their account, or as a host says who they are, and whoever is neither as a guest', async () => {
    const lesson = await sessionOf('W2');
    const { models } = school.running.glen.db;
    const { roll } = (await host.get(`/api/classes/${school.classes.get('W2')!.id}`))
      .body as Answer<'classPeriod'>;
    const [known, said] = roll;
    const date = await models.Occurrence.findOne({
      where: { series_id: lesson.seriesId, key_date: lesson.key },
      include: ['sitting'],
    });
    const seat = async (part: object, from: string, to: string | null): Promise<void> => {
      const visitor = await models.Visitor.create({
        sitting_id: date!.sitting!.id,
        visitor_key: `test ${Math.random()}`.slice(0, 40),
        name: 'A phone',
        account_kind: 'none',
        on_roll: false,
        role: 'participant',
        state: 'let-in',
        ...part,
      });
      await models.Visit.create({ visitor_id: visitor.id, arrived_at: from, left_at: to });
    };
    const { start } = lesson;
    const at = (minutes: number): string =>
      `${new Date(Date.parse(start) + minutes * 60_000).toISOString().slice(0, 19)}Z`;
    await models.Visit.destroy({ where: {} });
    await seat(
      { person_id: known!.id, account_kind: 'school', on_roll: true },
      at(10),
      at(lesson.minutes),
    );
    await seat({ taken_for: said!.id }, at(0), at(10));
    await seat({ name: 'Somebody else' }, at(1), at(2));
    const { rows, inWords } = await registerOf(lesson);
    const rowOf = (name: string) => rows.find((row) => row.name === name)!;
    expect(rowOf(known!.name)).toMatchObject({ status: 'present', late: true, leftEarly: false });
    expect(rowOf(said!.name)).toMatchObject({ status: 'partly', late: false, leftEarly: true });
    expect(rows.at(-1)).toMatchObject({ name: 'Somebody else', status: 'guest', minutes: 1 });
    expect(inWords).toContain(`1 of ${roll.length} present, 1 partly`);
  });
  it('of a one-to-one is told to those alone who are named at its link', async () => {
    const tools = linkTools(school, host);
    const hostIds = [school.person('Ottoline Marsh').id];
    const link = await tools.make('N3', {
      kind: 'one-to-one',
      preset: 'one-to-one',
      audience: {
        ...none,
        personIds: [school.person('Ansel Grue').id],
        hostIds,
        hostedBy: 'named',
      },
    });
    const plan = { first: '2026-10-14', at: { time: '16:00', minutes: 30 } };
    const body = { title: 'A talk', description: '', linkId: link.id, plan, anyway: true };
    const { id } = school.classes.get('N3')!;
    expect((await host.post(`/api/classes/${id}/sessions`, body)).status).toBe(200);
    const { sessions } = (await host.get(`/api/classes/${id}`)).body as Answer<'classPeriod'>;
    const talk = sessions.find((session) => session.title === 'A talk')!;
    expect((await registerOf(talk)).rows.map((row) => row.name)).toEqual(['Ansel Grue']);
    const coTeacher = await school.as('Tomas Verhage');
    const path = `/api/series/${talk.seriesId}/register?on=${talk.key}`;
    expect((await coTeacher.get(path)).status).toBe(403);
    const head = await school.as('Noor Achterberg');
    expect((await head.get(path)).status).toBe(403);
    const week = (await head.get('/api/registers')).body as Answer<'weekRegisters'>;
    const told = week.classes.flatMap(({ sessions }) => sessions);
    expect(told.some(({ seriesId }) => seriesId === talk.seriesId)).toBe(false);
  });
  it('is empty where nobody came, and there is none of a date that is none', async () => {
    const { rows } = await registerOf(await sessionOf('N6'));
    expect(rows.every((row) => row.status === 'absent')).toBe(true);
    const { seriesId } = await sessionOf('N6');
    expect((await host.get(`/api/series/${seriesId}/register?on=2026-10-17`)).status).toBe(404);
    expect((await host.get(`/api/series/${seriesId}/register?on=today`)).status).toBe(422);
  });
});

const correct = (session: Session, body: object) =>
  host.post(`/api/series/${session.seriesId}/register/correct`, { on: session.key, ...body });
const settle = (session: Session, by = host) =>
  by.post(`/api/series/${session.seriesId}/register/settle`, { on: session.key });

describe('corrections', () => {
  it('count for what was measured, which stays beside them with who said why; taken back, it counts again', async () => {
    const lesson = await sessionOf('N1');
    const absent = (await registerOf(lesson)).rows.find((row) => row.status === 'absent')!;
    const personId = absent.personId!;
    const said = { personId, status: 'present', reason: 'Phone died, was in the room' };
    const answer = await correct(lesson, { ...said, version: null });
    const rowOf = (register: Answer<'register'>) =>
      register.rows.find((row) => row.personId === personId)!;
    const corrected = rowOf(answer.body as Answer<'register'>);
    expect(corrected).toMatchObject({
      status: 'absent',
      stands: 'present',
      correction: { by: 'Ottoline Marsh', reason: said.reason, version: 1 },
    });
    // Somebody who read it before that finds out.
    const late = await correct(lesson, { ...said, version: null });
    expect([late.status, rowOf(late.body.current).correction!.version]).toEqual([409, 1]);
    const path = `/api/series/${lesson.seriesId}/register/uncorrect`;
    const back = await host.post(path, { on: lesson.key, personId, version: 1 });
    expect(rowOf(back.body as Answer<'register'>)).toMatchObject({ stands: 'absent' });
    expect(rowOf(back.body as Answer<'register'>).correction).toBeNull();
  });

  it('say why, and are of whoever was expected', async () => {
    const lesson = await sessionOf('N1');
    const { personId } = (await registerOf(lesson)).rows[0]!;
    const noReason = { personId, status: 'present', reason: ' ', version: null };
    expect((await correct(lesson, noReason)).body.errors[0].path).toBe('reason');
    const stranger = { ...noReason, personId: school.person('Tomas Verhage').id, reason: 'Was in' };
    expect((await correct(lesson, stranger)).body.errors[0].path).toBe('personId');
  });
});

describe('settling', () => {
  it('keeps the register as it was known, whoever leaves the roll; from then on corrections change it', async () => {
    const lesson = await sessionOf('R5');
    expect((await settle(lesson)).status).toBe(409);
    await school.setTime('14:50');
    const answer = await settle(lesson);
    const settled = answer.body as Answer<'register'>;
    expect(settled.settled).toMatchObject({ by: 'Ottoline Marsh' });
    const row = settled.rows.find(({ stands }) => stands === 'absent')!;
    const { id: classId } = school.classes.get('R5')!;
    const off = { personIds: [row.personId] };
    expect((await host.post(`/api/classes/${classId}/roll/take-off`, off)).status).toBe(200);
    const said = { personId: row.personId, status: 'partly', reason: 'Came late', version: null };
    expect((await correct(lesson, said)).status).toBe(200);
    const { rows } = await registerOf(lesson);
    expect(rows.find(({ key }) => key === row.key)).toMatchObject({
      status: 'absent',
      stands: 'partly',
    });
    // A second press settles nothing anew.
    expect((await settle(lesson)).body.settled).toEqual(settled.settled);
    await school.setTime('10:31');
  });

  it('happens by itself after a day, once; where nobody opened the door it was not held', async () => {
    const { glen } = school.running;
    const lesson = await sessionOf('N3');
    await school.setTime('12:30', '2026-10-15');
    await settleByItself(glen);
    const register = await registerOf(lesson);
    expect(register.settled).toMatchObject({ by: null });
    expect(register.wasOpened).toBe(false);
    const { seriesId: series_id, key: key_date } = lesson;
    const { Register } = glen.db.models;
    expect(await Register.findOne({ where: { series_id, key_date } })).toMatchObject({
      held: false,
    });
    await Promise.all([settleByItself(glen), settleByItself(glen)]);
    expect((await registerOf(lesson)).settled).toEqual(register.settled);
    await school.setTime('10:31');
  });

  it('is open again where the clock is put back before it was settled, and settles once more', async () => {
    const lesson = await sessionOf('W2');
    await school.setTime('10:31', '2026-10-17');
    await settleByItself(school.running.glen);
    expect((await registerOf(lesson)).settled).not.toBeNull();
    await school.setTime('10:31');
    expect((await registerOf(lesson)).settled).toBeNull();
    await school.setTime('10:31', '2026-10-17');
    await settleByItself(school.running.glen);
    expect((await registerOf(lesson)).settled).not.toBeNull();
    await school.setTime('10:31');
  });
});

describe('excuses beforehand', () => {
  it('hold where somebody did not come: from all lessons by the office, from one’s own by a host', async () => {
    const office = await school.as('Perpetua Lund');
    const lesson = await sessionOf('N6');
    const [ill, away] = (await registerOf(lesson)).rows;
    const days = { from: '2026-10-14', until: '2026-10-16' };
    const tell = (by: Browser, personId: number, body: object) =>
      by.post(`/api/people/${personId}/absences`, { ...days, ...body });
    expect((await tell(host, ill!.personId!, { classId: null, reason: 'ill' })).status).toBe(403);
    await tell(office, ill!.personId!, { classId: null, reason: 'ill' });
    const { id: classId } = school.classes.get('N6')!;
    const answer = await tell(host, away!.personId!, { classId, reason: 'at a regatta' });
    expect((answer.body as Answer<'addAbsence'>).absences).toMatchObject([
      { reason: 'at a regatta', by: 'Ottoline Marsh', mayEnd: true },
    ]);
    const rowsOf = async () => (await registerOf(lesson)).rows;
    expect((await rowsOf()).slice(0, 2)).toMatchObject([
      { stands: 'excused', excuse: 'ill' },
      { stands: 'excused', excuse: 'at a regatta' },
    ]);
    const { link } = school.classes.get('N6')!;
    await school.setTime('14:14');
    const { missing } = (await host.get(`/api/links/${link.id}/desk`)).body as Answer<'desk'>;
    expect(missing.find(({ id }) => id === ill!.personId)).toMatchObject({ away: 'ill' });
    await school.setTime('10:31');
    const [kept] = (answer.body as Answer<'addAbsence'>).absences;
    const end = () =>
      host.post(`/api/people/${away!.personId}/absences/end`, { absenceId: kept!.id });
    await end();
    expect((await end()).status).toBe(404);
    expect((await rowsOf())[1]).toMatchObject({ stands: 'absent', excuse: null });
  });

  it('say a day that is not before the first, nor past, and why', async () => {
    const { id } = school.person('Ansel Grue');
    const { id: classId } = school.classes.get('N3')!;
    const wrong = async (body: object): Promise<string> => {
      const answer = await host.post(`/api/people/${id}/absences`, { classId, ...body });
      return answer.body.errors[0].path;
    };
    const reason = 'ill';
    expect(await wrong({ from: '2026-10-15', until: '2026-10-14', reason })).toBe('until');
    expect(await wrong({ from: '2026-10-01', until: '2026-10-02', reason })).toBe('until');
    expect(await wrong({ from: '2026-10-14', until: '2026-10-14', reason: '' })).toBe('reason');
    expect(await wrong({ from: '2027-02-30', until: '2027-03-01', reason })).toBe('from');
    expect(await wrong({ from: '2027-02-28', until: '2027-02-29', reason })).toBe('until');
  });
});
