import { expect } from 'vitest';
import type { Answer, LinkDetail } from '@glen/contract';
import type { Browser, School } from './support.js';

/** An audience of nobody, for tests to put somebody in. */
export const none = { classIds: [], groupIds: [], personIds: [], hostIds: [] };

/** What tests of links ask again and again of a school, as one of its hosts. */
export function linkTools(school: School, host: Browser) {
  const of = (letters: string): Answer<'classes'>['classes'][number] =>
    school.classes.get(letters)!;
  const linksOf = async (letters: string): Promise<Answer<'classLinks'>['links']> =>
    (await host.get(`/api/classes/${of(letters).id}/links`)).body.links;
  return {
    of,
    linksOf,
    named: async (letters: string, label: string) =>
      (await linksOf(letters)).find((l) => l.label === label)!,
    read: async (id: number): Promise<LinkDetail> => (await host.get(`/api/links/${id}`)).body,
    make: async (letters: string, body: object): Promise<LinkDetail> => {
      const { body: link, status } = await host.post(`/api/classes/${of(letters).id}/links`, {
        label: `Link ${Math.random()}`,
        purpose: 'Talks',
        kind: 'lesson',
        shown: true,
        ...body,
      });
      expect(status).toBe(200);
      return link;
    },
    door: async (who: Browser, code: string): Promise<Answer<'door'>> =>
      (await who.get(`/api/door/${code}`)).body,
    /** Opens a door as its host and is in the room, as the video service would say. */
    openAndBeIn: async (linkId: number, who = host): Promise<void> => {
      expect((await who.post(`/api/links/${linkId}/open`, { anyway: true })).status).toBe(200);
      await school.running.glen.db.change(
        `UPDATE visitors v JOIN sittings m ON m.id = v.sitting_id SET v.inside = 1, v.left_at = NULL WHERE m.ended_at IS NULL AND v.role = 'host' AND v.state = 'let-in'`,
      );
    },
    end: (linkId: number, who = host) => who.post(`/api/links/${linkId}/close-room`),
  };
}
export type LinkTools = ReturnType<typeof linkTools>;
