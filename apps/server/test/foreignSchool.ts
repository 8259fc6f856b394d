import type { Answer, ClassItem, LinkDetail, Post, Session } from '@glen/contract';
import { insertShare } from '../src/features/link/shareStore.js';
import { linkTools, none } from './linkTools.js';
import { until, type Browser, type School } from './support.js';

/** What a host has, to be asked for together with what is another's. */
export interface Own {
  n3: ClassItem;
  r5: ClassItem;
  session: Session;
  post: Post;
  link: LinkDetail;
  group: { id: number };
  /** Somebody on the roll of Navigation 3. */
  student: number;
}

/** What is another teacher's; all of it bears the word SECRET. */
export interface Foreign {
  class: ClassItem;
  link: LinkDetail;
  series: Session;
  group: { id: number };
  post: Post;
  share: number;
  guest: number;
  presenter: number;
  student: { id: number; accountId: number };
}

export async function makeForeign(school: School, host: Browser): Promise<Foreign> {
  const bram = await school.as('Bram Osterholt');
  const s4 = school.classes.get('S4')!;
  const r5 = school.classes.get('R5')!;

  const theirs = linkTools(school, bram);
  const { version: groupsVersion } = (await bram.get(`/api/classes/${s4.id}/groups`)).body;
  const whole = (await bram.get(`/api/classes/${s4.id}`)).body as {
    roll: { id: number; accounts: { id: number }[] }[];
  };
  const { groups } = (
    await bram.put(`/api/classes/${s4.id}/groups`, {
      version: groupsVersion,
      groups: [{ name: 'SECRET crew', tutorId: null, members: whole.roll.map((p) => p.id) }],
    })
  ).body;
  const link = await theirs.make('S4', {
    label: 'SECRET annex',
    audience: { ...none, classIds: [s4.id] },
  });
  const { version } = (await bram.get(`/api/links/${link.id}/rules`)).body;
  await bram.put(`/api/links/${link.id}/rules`, { version, rules: { entryCode: 'SECRET-42' } });
  const { guests } = (
    await bram.post(`/api/links/${link.id}/guests`, {
      text: 'SECRET guest <secret.guest@home.example>',
      comes: 'inside',
    })
  ).body as Answer<'guests'>;
  const named = (
    await bram.post(`/api/links/${link.id}/presenters`, {
      personId: school.person('Idris Kellaway').id,
    })
  ).body as LinkDetail;
  const { session: series } = (
    await bram.post(`/api/classes/${s4.id}/sessions`, {
      title: 'SECRET signals',
      description: 'SECRET plans',
      plan: { first: '2026-10-15', at: { time: '16:00', minutes: 30 } },
      linkId: link.id,
    })
  ).body;
  const { post } = (
    await bram.post(`/api/classes/${s4.id}/posts`, {
      words: 'SECRET words {entryCode}',
      linkWords: 'SECRET link',
      places: [{ classId: s4.id, linkId: link.id, kind: 'stream' }],
    })
  ).body;
  // Nobody has put two class periods of another together yet, so that one is set down by hand.
  const { db } = school.running.glen;
  await insertShare(db, {
    ...{ linkId: link.id, classId: r5.id, seriesId: null, key: null },
    ownDoor: 'leads',
    by: school.person('Bram Osterholt').id,
  });
  const { id: share } = (await db.models.Share.findOne({ where: { link_id: link.id } }))!;
  // Somebody whom only Bram Osterholt teaches.
  const ours = new Set<number>();
  for (const c of school.classes.values())
    if (c.id !== s4.id)
      for (const p of (await host.get(`/api/classes/${c.id}`)).body.roll) ours.add(p.id);
  const student = whole.roll.find((p) => !ours.has(p.id)) ?? whole.roll[0]!;
  return {
    class: s4,
    link,
    series,
    group: groups[0],
    post,
    share,
    guest: guests[0]!.id,
    presenter: named.presenters[0]!.id,
    student: { id: student.id, accountId: student.accounts[0]!.id },
  };
}

export async function findOwn(school: School, host: Browser): Promise<Own> {
  const [n3, r5] = [school.classes.get('N3')!, school.classes.get('R5')!];
  const mine = linkTools(school, host);
  const day = (await host.get(`/api/classes/${n3.id}`)).body;
  const posts = await until(
    async () => (await host.get(`/api/classes/${n3.id}/posts`)).body.posts as Post[],
    (all) => all.some((p) => p.deliveries.some((d) => d.placementId !== null)),
  );
  return {
    n3,
    r5,
    session: day.sessions.find((s: Session) => s.date > '2026-10-14'),
    post: posts[0]!,
    link: await mine.make('N3', { label: 'Our own', audience: { ...none, classIds: [n3.id] } }),
    group: (await host.get(`/api/classes/${r5.id}/groups`)).body.groups[0],
    student: school.person('Ansel Grue').id,
  };
}
