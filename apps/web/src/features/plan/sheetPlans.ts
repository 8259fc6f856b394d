import { editSeries, repeats, type SchoolCalendar, type SessionPlan } from '@glen/core';
import type { Session } from '@glen/contract';
import type { Scope } from './sheetDraft.js';

/** A saved plan, in the core's type: what the contract carries is the same with an optional zone. */
export const planOfSession = (s: Session, school: SchoolCalendar): SessionPlan =>
  ({ ...s.plan, zone: s.plan.zone ?? school.zone }) as SessionPlan;

/** Whether an edit asks which of its dates it means. A draft has nothing on the books that could differ from date to date: it is changed whole. */
export const isSeriesOf = (s: Session | null, school: SchoolCalendar): s is Session =>
  s !== null && !s.draft && repeats(planOfSession(s, school));

/** The plan that an edit in this scope begins with: from there on, that is what would be cut off. */
export function planInScope(s: Session, scope: Scope, school: SchoolCalendar): SessionPlan {
  const plan = planOfSession(s, school);
  if (scope !== 'onwards') return plan;
  const cut = editSeries(
    { title: s.title, description: s.description, plan },
    { scope, key: s.key, change: { kind: 'set' } },
    school,
  );
  return (cut.add ?? cut.keep!).plan;
}
