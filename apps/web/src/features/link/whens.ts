import { dateInWords } from '@glen/core/light';
import type { LinkDetail } from '@glen/contract';
import type { ClassPeriod } from '../school/classPeriod.js';

/** At any time. */
export const ALWAYS = 'always';
/** Only so many of the next dates are offered one by one. */
const MOST_DATES = 12;

export interface When {
  value: string;
  label: string;
  body: { seriesId?: number; key?: string };
}

/** When it can be: always, at a whole series of this link, or at one of the next dates. */
export function whensOf(link: Pick<LinkDetail, 'id'>, sessions: ClassPeriod['sessions']): When[] {
  const here = sessions.filter(
    (s) =>
      s.linkId === link.id &&
      (s.status === 'planned' || s.status === 'moved') &&
      s.door !== 'ended',
  );
  const series = new Map(here.filter((s) => s.plan.repeat).map((s) => [s.seriesId, s]));
  return [
    { value: ALWAYS, label: 'always', body: {} },
    ...[...series.values()].map((s) => ({
      value: `series ${s.seriesId}`,
      label: `at every date of ${s.title}`,
      body: { seriesId: s.seriesId },
    })),
    ...here.slice(0, MOST_DATES).map((s) => ({
      value: `date ${s.seriesId} ${s.key}`,
      label: `on ${dateInWords(s.date)}, ${s.time}`,
      body: { seriesId: s.seriesId, key: s.key },
    })),
  ];
}
