import { Feed as FeedFile } from 'feed';
import { classTitle } from '@glen/core';
import { escapeHtml } from '@glen/core/elsewhere';
import { linkAddress } from '../../addresses.js';
import type { Glen } from '../../glen.js';
import { notFound } from '../../http/problem.js';
import { classById } from '../school/classes.sql.js';
import { readSchool } from '../school/store.js';
import { newsOfClass, type News } from './newsStore.js';
import { feedByHash } from './store.js';

/** Control characters that XML 1.0 (§2.2) cannot hold. */
const UNFIT = /(?![\n\t])\p{Cc}|\p{Cs}|[\ufffe\uffff]/gu;

const fit = (text: string): string => text.replace(UNFIT, '');

/** Added where the words stand beside their link. */
const withLink = ({ html, title }: News, address: string): string =>
  html.includes('href=') ? html : `${html}\n<p><a href="${address}">${escapeHtml(title)}</a></p>`;

/**
 * What stands in a class period for all of it, as an Atom feed (RFC 4287), behind its private address; the newest first.
 * `id`s are addresses that stay the same for ever; `updated` is when it came to read so.
 */
export async function newsFile(glen: Glen, token: string): Promise<string> {
  const hash = glen.tokens.hash('feed', token.replace(/\.atom$/, ''));
  const feed = await feedByHash(glen.db, hash);
  if (!feed || !('classId' in feed)) throw notFound('This feed');
  const { classId } = feed;
  const [row, { name: school }, news] = await Promise.all([
    classById(glen.db, classId, 0),
    readSchool(glen.db),
    newsOfClass(glen.db, classId),
  ]);
  const { publicUrl } = glen.config;
  const file = new FeedFile({
    id: `${publicUrl}/news/class/${classId}`,
    title: fit(`${classTitle(row!)}, ${school}`),
    updated: new Date(news[0]?.changedAt ?? glen.clock.school()),
    author: { name: fit(school) },
    copyright: '',
    generator: 'Glen',
    feedLinks: { atom: `${publicUrl}/api/news/${token}` },
  });
  for (const one of news) {
    const address = linkAddress(glen, one.code);
    file.addItem({
      id: `${publicUrl}/news/${one.placementId}`,
      title: fit(one.title) || classTitle(row!),
      link: address,
      content: fit(withLink(one, address)),
      author: [{ name: fit(one.by) }],
      published: new Date(one.since),
      date: new Date(one.changedAt),
    });
  }
  return file.atom1();
}
