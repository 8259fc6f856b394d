import { resolveRules, type RuleLayer } from '@glen/core';
import { NavLink } from 'react-router';
import { api } from '../../app/api.js';
import { useMinute, wallClock } from '../../app/clock.js';
import type { ClassPeriod } from '../school/classPeriod.js';
import { entryState, linksState, postsState, rollState, sessionsState } from './partStates.js';
import { TABS, TAB_NAMES, hasTab, type TabName } from './tabs.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

/** How each part stands, in a line; nothing while it is not known, or where there is nothing to say. */
function useStates(classPeriod: ClassPeriod, zone: string): Partial<Record<TabName, string>> {
  const now = useMinute();
  const params = { classId: classPeriod.class.id };
  const { data: rules } = api.useRulesQuery({ params });
  const { data: links } = api.useClassLinksQuery({ params });
  const { data: posts } = api.usePostsQuery({ params });
  const { date: today } = wallClock(now, zone);
  return {
    sessions: sessionsState(classPeriod, { now, today }),
    ...(rules && { entry: entryState(resolveRules(rules.layers as RuleLayer[]).rules) }),
    ...(links && { links: linksState(links.links) }),
    ...(posts && { posts: postsState(posts.posts) }),
    roll: rollState(classPeriod.class.rollSize),
  };
}

interface ListProps {
  classPeriod: ClassPeriod;
  states: Partial<Record<TabName, string>>;
}

const PartList = ({ classPeriod: { class: c }, states }: ListProps) => (
  <ul className="grid gap-0.5">
    {TABS.filter((tab) => hasTab(c, tab)).map((tab) => (
      <li key={tab}>
        <NavLink
          to={`/classes/${c.id}/${tab}`}
          className={({ isActive }) =>
            `block rounded-r-small border-l-3 px-3 py-2 ${isActive ? 'border-bracken bg-sheet shadow-soft' : 'border-transparent hover:bg-shade'}`
          }
        >
          <b className="block">{TAB_NAMES[tab]}</b>{' '}
          <span className="block text-sm text-balance text-soft empty:hidden">{states[tab]}</span>
        </NavLink>
      </li>
    ))}
  </ul>
);

interface PartsProps {
  open: TabName;
  classPeriod: ClassPeriod;
  zone: string;
}

/** The parts of a class period, each with how it stands; where there is no room beside the open one, behind a line that opens. */
export function ClassParts({ open, classPeriod, zone }: PartsProps) {
  const states = useStates(classPeriod, zone);
  const label = fill(say.aboutWhat, { what: classPeriod.class.title });
  return (
    <>
      <nav aria-label={label} className="max-half:hidden print:hidden">
        <PartList classPeriod={classPeriod} states={states} />
      </nav>
      <details className="mb-4 rounded-small border border-line bg-sheet half:hidden print:hidden">
        <summary className="cursor-pointer px-3 py-2">
          <b>{TAB_NAMES[open]}</b> <span className="text-sm text-soft">{states[open]}</span>
        </summary>
        <nav aria-label={label} className="border-t border-line py-1">
          <PartList classPeriod={classPeriod} states={states} />
        </nav>
      </details>
    </>
  );
}
