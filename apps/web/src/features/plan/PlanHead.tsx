import { ChevronLeft, ChevronRight } from 'lucide-react';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { addDays, type SchoolCalendar } from '@glen/core';
import { Button, buttonClass } from '../../ui/Button.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { mondayBefore, rangeInWords, type PlanRange } from './planRange.js';
import type { Strip } from './strip/layout.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

/** Sets a part of the address, or takes it away. */
export type SetSearch = (key: string, value: string | null) => void;

interface TabProps {
  isOn?: boolean;
  /** What it is called, where its words are a sign. */
  label?: string;
  onClick: () => void;
  children: ReactNode;
}

function Tab({ isOn = false, label, onClick, children }: TabProps) {
  return (
    <Button
      kind={isOn ? 'strong' : 'plain'}
      className="!px-2.5 !py-1 !text-sm max-half:min-h-11"
      aria-pressed={isOn}
      aria-label={label}
      title={label}
      onClick={onClick}
    >
      {children}
    </Button>
  );
}

interface HeadProps {
  tab: string;
  range: PlanRange;
  school: SchoolCalendar;
  today: string;
  strip: Strip | undefined;
  mayAdd: boolean;
  /** The sheet stands below: on a phone it is what is looked at. */
  hasSheet: boolean;
  /** Whether everybody's class periods are shown, not only one's own. */
  isAll: boolean;
  set: SetSearch;
  /** What else can be done with the whole plan. */
  tools: ReactNode;
}

function WeekTabs({ range, today, set }: Pick<HeadProps, 'range' | 'today' | 'set'>) {
  const { monday } = range;
  return (
    <>
      <Tab label={say.weekBefore} onClick={() => set('week', addDays(monday, -7))}>
        <ChevronLeft size={18} aria-hidden="true" />
      </Tab>
      <Tab isOn={monday === mondayBefore(today)} onClick={() => set('week', today)}>
        {say.thisWeek}
      </Tab>
      <Tab label={say.weekAfter} onClick={() => set('week', addDays(monday, 7))}>
        <ChevronRight size={18} aria-hidden="true" />
      </Tab>
    </>
  );
}

function TermTabs({ range, school, set }: Pick<HeadProps, 'range' | 'school' | 'set'>) {
  const isYear = range.view === 'year';
  return (
    <>
      {school.terms.map((t) => (
        <Tab
          key={t.name}
          isOn={!isYear && range.term?.name === t.name}
          onClick={() => set('show', t.name)}
        >
          {t.name}
        </Tab>
      ))}
      <Tab isOn={isYear} onClick={() => set('show', 'year')}>
        {say.year}
      </Tab>
    </>
  );
}

/** What the plan shows, and the ways to see another stretch of it. */
export function PlanHead(props: HeadProps) {
  const { tab, range, school, today, strip, mayAdd, hasSheet, isAll, set, tools } = props;
  const isWeek = range.view === 'week';
  const held = strip?.notches.filter((n) => n.status !== 'cancelled').length ?? 0;
  return (
    <header className="mb-3 grid gap-y-2.5">
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <ScreenTitle tab={tab}>{range.title}</ScreenTitle>
        <p className="text-md text-soft">
          {isWeek ? fill(say.heldSessions, { held }) : rangeInWords(school, range.from, range.to)}
        </p>
        {mayAdd && (
          <Link className={`${buttonClass('act')} ml-auto`} to="/plan/new">
            {say.scheduleASession}{' '}
            <kbd className="rounded border border-current px-1.5 font-mono text-xs max-half:hidden">
              s
            </kbd>
          </Link>
        )}
      </div>
      <div className={`flex flex-wrap items-center gap-2 ${hasSheet ? 'max-half:hidden' : ''}`}>
        {isWeek ? (
          <WeekTabs range={range} today={today} set={set} />
        ) : (
          <TermTabs range={range} school={school} set={set} />
        )}
        <span className="flex flex-wrap gap-2 half:ml-auto">
          {tools}
          <Tab isOn={isAll} onClick={() => set('of', isAll ? 'mine' : 'all')}>
            {say.allClassPeriods}
          </Tab>
        </span>
        <span className="hidden h-6 border-l border-line half:block" />
        <Tab isOn={isWeek} onClick={() => set('view', 'week')}>
          {say.week}
        </Tab>
        <Tab isOn={!isWeek} onClick={() => set('view', null)}>
          {say.termShort}
        </Tab>
      </div>
    </header>
  );
}
