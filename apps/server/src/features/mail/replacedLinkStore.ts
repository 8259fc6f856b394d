import type { Db } from '../../db/connect.js';
import { inParts } from '../../db/inParts.js';
import { calledLink } from './calledLinkStore.js';

interface Replaced {
  /** The one in force. */
  code: string;
  called: string;
  /** Who replaced the one before. */
  by: number | null;
  /** All whom it is for, those who teach there among them. */
  people: number[];
}

/** A link whose last code leads nowhere any more; nothing where that was taken back, or it has been stopped since. */
export async function replacedLink(db: Db, linkId: number): Promise<Replaced | null> {
  const { Link, LinkCode, LinkPerson } = db.models;
  const link = await Link.findByPk(linkId, { include: ['classPeriod'] });
  const codes = await LinkCode.findAll({ where: { link_id: linkId }, order: ['turn'] });
  const last = codes.at(-2);
  if (link?.state !== 'live' || last?.how !== 'stop') return null;
  const meant = await LinkPerson.findAll({
    attributes: ['person_id'],
    where: { link_id: linkId },
    group: ['person_id'],
  });
  return {
    code: link.code,
    called: await calledLink(db, link),
    by: last.replaced_by,
    people: meant.map((row) => row.person_id),
  };
}

/** Those of some people to whom a post with a new code has been written. */
export async function toldNewCode(db: Db, people: number[], code: string): Promise<Set<number>> {
  const told = new Set<number>();
  for (const part of inParts(people)) {
    const letters = await db.models.Letter.findAll({
      attributes: ['person_id', 'once'],
      where: { person_id: part, kind: 'posts' },
    });
    for (const { person_id: id, once } of letters)
      if (id !== null && once.split(':')[2] === code) told.add(id);
  }
  return told;
}
