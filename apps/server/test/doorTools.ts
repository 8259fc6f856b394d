import type { Answer } from '@glen/contract';
import { moves, roomOf } from './roomTools.js';
import type { Browser, School } from './support.js';

/** What tests of a door ask again and again, at the link of one class period, whose first host is Ottoline Marsh. */
export function doorTools(school: School, host: Browser) {
  const n3 = school.classes.get('N3')!;
  let day = 0;
  /** A day far from the demo's lessons and from other tests, with one session at 12:00, just before its door opens. */
  const nextDay = async (): Promise<string> => {
    const date = `2027-0${5 + Math.floor(day / 20)}-${String(3 + (day++ % 20)).padStart(2, '0')}`;
    await school.setTime('11:57', date);
    await host.post(`/api/classes/${n3.id}/sessions`, {
      title: 'Lesson',
      description: '',
      plan: { first: date, at: { time: '12:00', minutes: 50 } },
    });
    return date;
  };
  const door = async (browser: Browser): Promise<Answer<'door'>> =>
    (await browser.get(`/api/door/${n3.link.code}`)).body;
  const enter = async (browser: Browser, body = {}): Promise<Answer<'enterDoor'>> =>
    (await browser.post(`/api/door/${n3.link.code}/enter`, body)).body;
  const desk = async (): Promise<Answer<'desk'>> =>
    (await host.get(`/api/links/${n3.link.id}/desk`)).body;
  /** The host in the room, as the video service would tell it. */
  const hostGoesIn = async (): Promise<{ room: string; visitor: number }> => {
    const { go } = (await host.post(`/api/links/${n3.link.id}/open`)).body;
    const room = roomOf(go);
    const visitor = await moves(school, { room, type: 'arrived', name: 'Ottoline Marsh' });
    return { room, visitor };
  };
  return { n3, nextDay, door, enter, desk, hostGoesIn };
}

export type DoorTools = ReturnType<typeof doorTools>;
