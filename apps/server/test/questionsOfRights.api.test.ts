import type { Model, ModelStatic } from 'sequelize';
import { afterAll, describe, expect, it } from 'vitest';
import type { ClassSubject } from '@glen/contract';
import { Clock } from '../src/clock.js';
import { handOver, NAMES_A_PERSON } from '../src/features/people/merge.sql.js';
import { idleSince } from '../src/http/idle.js';
import { standingOf } from '../src/http/accessStore.sql.js';
import { NOBODY } from '../src/http/who.js';
import { whoHolds } from '../src/http/whoStore.sql.js';
import { tokens } from './randomRows.js';
import { randomSchool, rowsOf } from './randomSchool.js';
import { idsOf, lookupsOf } from './schoolLookups.js';

// Questions by hand about who somebody is and what they may, and two records made one, held against the models' rows of a
// school at random.

const school = await randomSchool();
const look = lookupsOf(school);
afterAll(() => school.close());

const everybody = (): number[] => idsOf(school.rows.Person);

describe('who asks, and what they may', () => {
  it('who holds a browser’s token', async () => {
    const { rows, db } = school;
    const clock = new Clock(db, () => Date.parse('2026-11-01T00:00:00Z') / 1000);
    for (const session of rows.BrowserSession) {
      const who = await whoHolds({ db, clock, tokens }, `token ${session.id}`);
      const account = rows.Account.find((row) => row.id === session.account_id);
      const stillHolds = session.expires_at > clock.machine() && session.seen_at > idleSince(clock);
      const asked = `session ${session.id}`;
      look.same(who.sessionId, stillHolds ? session.id : null, asked);
      look.same(who.account?.id, stillHolds ? account?.id : undefined, asked);
      look.same(who.person?.id, stillHolds ? account?.person_id : undefined, asked);
      const roles = stillHolds && account ? look.rolesOf(account.person_id) : undefined;
      look.same(who.person?.roles.join(',') || undefined, roles ?? undefined, asked);
    }
    expect(await whoHolds({ db, clock, tokens }, 'nobody’s')).toEqual(NOBODY);
  });

  interface Asked {
    classId: number;
    linkId: number;
    sittings: number[];
    isDraft: boolean;
    /** The link that it is met by, where that is not asked about itself. */
    leftAt?: number;
  }

  /** Of each kind of subject: its class period, its link, and the sitting that it is at. */
  function subjects() {
    const { rows } = school;
    const ofVisitor = (id: number): Asked => {
      const { sitting_id } = look.byId(rows.Visitor, id);
      const link = look.byId(rows.Link, look.byId(rows.Sitting, sitting_id).link_id);
      return { classId: link.class_id, linkId: link.id, sittings: [sitting_id], isDraft: false };
    };
    const ofLink = (id: number): Asked => ({
      classId: look.byId(rows.Link, id).class_id,
      linkId: id,
      sittings: idsOf(rows.Sitting.filter((row) => row.link_id === id)),
      isDraft: false,
    });
    const ofClass = (classId: number, isDraft = false): Asked => ({
      classId,
      linkId: 0,
      sittings: [] as number[],
      isDraft,
    });
    const ofSeries = (id: number): Asked => {
      const { class_id, link_id, draft } = look.byId(rows.Series, id);
      return { ...ofClass(class_id, draft), leftAt: link_id };
    };
    const ofPost = (id: number, classId = look.byId(rows.Post, id).class_id) =>
      ofClass(classId, look.byId(rows.Post, id).timing.kind === 'draft');
    const ofPlacement = (id: number) => {
      const place = look.byId(rows.PostPlace, look.byId(rows.Placement, id).place_id);
      return ofPost(place.post_id, place.class_id);
    };
    const all = <T>(kind: ClassSubject, list: { id: number }[], tell: (id: number) => T) =>
      list.slice(0, 12).map(({ id }) => ({ kind, id, ...tell(id) }));
    return [
      ...all('classId', rows.ClassPeriod, (id) => ofClass(id)),
      ...all('seriesId', rows.Series, ofSeries),
      ...all('postId', rows.Post, (id) => ofPost(id)),
      ...all('placementId', rows.Placement, ofPlacement),
      ...all('linkId', rows.Link, ofLink),
      ...all('visitorId', rows.Visitor, ofVisitor),
    ];
  }

  it('what somebody is to the class period that anything belongs to', async () => {
    const { rows, db } = school;
    const isActing = (sittings: number[], personId: number): boolean =>
      rows.ActingHost.some(
        (row) =>
          row.person_id === personId &&
          sittings.includes(row.sitting_id) &&
          look.byId(rows.Sitting, row.sitting_id).ended_at === null,
      );
    for (const { kind, id, classId, linkId, leftAt = linkId, sittings, isDraft } of subjects())
      for (const personId of everybody().slice(0, 15)) {
        const as = (words: string[]): boolean => look.meantAt(linkId, personId, words).length > 0;
        const otherwise = {
          class: false,
          link: kind === 'linkId' && as(['tutor', 'presenter']),
          door: isActing(sittings, personId) || as(['tutor', 'joining-host']),
        };
        for (const asks of ['class', 'link', 'door'] as const)
          look.same(
            await standingOf(db, { kind, id }, personId, asks),
            {
              as: look.staffAs(classId, personId),
              otherwise: otherwise[asks],
              isAtRest: look.byId(rows.ClassPeriod, classId).put_away_at !== null,
              isDraft,
              isLeftOut: look.isLeftOut(leftAt, personId),
              isCovering: look.coverOf(classId, personId) !== null,
            },
            `${kind} ${id}, person ${personId}, ${asks}`,
          );
      }
    expect(await standingOf(db, { kind: 'linkId', id: 9999 }, 1, 'link')).toBeUndefined();
  });
});

describe('two who turn out to be one', () => {
  class Undone extends Error {}

  type Row = Record<string, unknown>;

  /** The columns by which a row is told from others, among them one. */
  function keyWith(model: ModelStatic<Model>, column: string): string[] {
    const indexes = model.options.indexes ?? [];
    const unique = indexes.filter((index) => index.unique).map((index) => index.fields as string[]);
    const keys = [model.primaryKeyAttributes as string[], ...unique];
    return keys.find((key) => key.includes(column))!;
  }

  const columnsThatName = (table: string): string[] =>
    Object.keys(NAMES_A_PERSON)
      .filter((place) => place.startsWith(`${table}.`))
      .map((place) => place.slice(table.length + 1));

  const models = (): ModelStatic<Model>[] => Object.values(school.db.models);

  const told = (rows: Model[], columns: string[], change: (row: Row) => Row = (row) => row) =>
    rows
      .map((row) => change(row.get({ plain: true }) as Row))
      .map((row) => JSON.stringify(columns.map((name) => row[name])));

  async function expectMoved(from: number, to: number): Promise<void> {
    const before = school.rows;
    const after = await rowsOf(school.db);
    for (const [place, how] of Object.entries(NAMES_A_PERSON)) {
      const [table, column] = place.split('.') as [string, string];
      const model = models().find((one) => one.tableName === table)!;
      const name = model.name as keyof typeof before;
      const columns = columnsThatName(table);
      const isNow = (row: Row): Row => ({
        ...row,
        ...Object.fromEntries(columns.map((c) => [c, row[c] === from ? to : row[c]])),
      });
      const asked = `${place}: ${from} is ${to}`;
      const left = (after[name] as Model[]).filter((row) => row.get(column) === from);
      look.same(left.length, 0, asked);
      if (how === 'drop') continue;
      const key = how === 'once' ? keyWith(model, column) : [...model.primaryKeyAttributes, column];
      const wanted = new Set(told(before[name], key, isNow));
      look.same(told(after[name], key).toSorted(), [...wanted].toSorted(), asked);
    }
  }

  it('all that names one names the other, nothing twice', async () => {
    for (const [from, to] of [
      [2, 3],
      [9, 10],
      [30, 1],
    ] as const) {
      const merged = school.db.transaction(async () => {
        await handOver(school.db, from, to);
        await expectMoved(from, to);
        throw new Undone();
      });
      await merged.catch((error: unknown) => {
        if (!(error instanceof Undone)) throw error;
      });
    }
  });
});
