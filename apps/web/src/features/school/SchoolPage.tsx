import { useEffect, useMemo, useState } from 'react';
import { GlenInputError, indexSchool, type Note, type SchoolCalendar } from '@glen/core';
import type { Answer, Me, Problem } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { useNow, wallClock } from '../../app/clock.js';
import { offerUndo } from '../../app/undo.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { Loading, Trouble } from '../../ui/States.js';
import { Margin, Screen } from '../../ui/Margin.js';
import { Editing } from './Cells.js';
import { Bells, Closures, Cycle, Terms } from './Parts.js';
import { SchoolTabs } from './SchoolTabs.js';
import { YearLine } from './YearLine.js';

type Kept = Answer<'schoolCalendar'>;
const ASK_AFTER_MS = 250;

/** The same checks as the server's, at every keystroke. */
function wrongWith(calendar: SchoolCalendar): { path: string; message: string } | undefined {
  try {
    indexSchool(calendar);
    return undefined;
  } catch (error) {
    if (error instanceof GlenInputError)
      return { path: error.path.replace(/^school/, 'calendar'), message: error.message };
    throw error;
  }
}

function Editor({ kept, today }: { kept: Kept; today: string }) {
  const [read, setRead] = useState(kept);
  const [calendar, setCalendar] = useState(kept.calendar as SchoolCalendar);
  const [region, setRegion] = useState(kept.region);
  const [problem, setProblem] = useState<Problem>();
  const [preview, { data: effects }] = api.usePreviewCalendarMutation();
  const [save, saving] = api.useSetCalendarMutation();
  const isChanged =
    JSON.stringify(calendar) !== JSON.stringify(read.calendar) || region !== read.region;
  const wrong = useMemo(() => wrongWith(calendar), [calendar]);
  useEffect(() => {
    if (!isChanged || wrong) return;
    const timer = setTimeout(
      () => void preview({ body: { calendar: calendar as Kept['calendar'] } }),
      ASK_AFTER_MS,
    );
    return () => clearTimeout(timer);
  }, [calendar, isChanged, wrong, preview]);
  // Somebody else's change is taken over as long as nothing has been written here.
  useEffect(() => {
    if (kept.version !== read.version && !isChanged) {
      setRead(kept);
      setCalendar(kept.calendar as SchoolCalendar);
      setRegion(kept.region);
    }
  }, [kept, read.version, isChanged]);
  const change = (part: Partial<SchoolCalendar>): void => {
    setProblem(undefined);
    setCalendar((c) => ({ ...c, ...part }));
  };
  const errors = [...(wrong ? [wrong] : []), ...(problem?.errors ?? [])];
  const errorAt = (path: string): string | undefined =>
    errors.find((e) => e.path === path || e.path.startsWith(`${path}.`))?.message;
  const theirs = problem?.status === 409 ? (problem.current as Kept) : undefined;

  const put = async (version: number): Promise<void> => {
    const before = theirs ?? read;
    const { data, error } = await save({
      body: { version, calendar: calendar as Kept['calendar'], region },
    });
    if (!data) return setProblem(problemOf(error));
    setProblem(undefined);
    setRead(data);
    setCalendar(data.calendar as SchoolCalendar);
    offerUndo(
      effects?.changed
        ? `The calendar is changed, and ${effects.changed === 1 ? 'one session follows' : `${effects.changed} sessions follow`}.`
        : 'The calendar is changed.',
      async () => {
        const back = await save({
          body: { version: data.version, calendar: before.calendar, region: before.region },
        }).unwrap();
        setRead(back);
        setCalendar(back.calendar as SchoolCalendar);
        setRegion(back.region);
      },
    );
  };
  const takeTheirs = (): void => {
    setProblem(undefined);
    setRead(theirs!);
    setCalendar(theirs!.calendar as SchoolCalendar);
    setRegion(theirs!.region);
  };

  const quiet: Note = read.mayEdit
    ? {
        severity: 'inform',
        title: 'Nothing is changed yet',
        text: 'Whatever you change here, this column says first what it does to everybody’s sessions.',
      }
    : {
        severity: 'inform',
        title: 'Yours to read',
        text: 'The head and the office change it; you are told here when that moves your sessions.',
      };
  const told: Note[] = effects?.teachers.length
    ? [
        {
          severity: 'inform',
          title:
            effects.teachers.length === 1
              ? 'One teacher is told'
              : `${effects.teachers.length} teachers are told`,
          text: `${effects.teachers.map((t) => `${t.name} (${t.sessions})`).join(', ')}.`,
        },
      ]
    : [];
  const notes: Note[] = !isChanged
    ? [quiet]
    : wrong
      ? [{ severity: 'wrong', title: 'Not quite', text: wrong.message }]
      : effects
        ? [...(effects.notes as Note[]), ...told]
        : [];
  const label = effects?.changed
    ? `Change it; ${effects.changed === 1 ? '1 session follows' : `${effects.changed} sessions follow`}`
    : 'Change the calendar';
  return (
    <Screen margin={<Margin title="What will happen" notes={notes} />}>
      <SchoolTabs />
      <header className="mb-4 flex flex-wrap items-baseline gap-x-4">
        <h1 className="text-[27px]">School calendar</h1>
        <p className="text-soft">times are {calendar.zone}</p>
      </header>
      <YearLine school={wrong ? (read.calendar as SchoolCalendar) : calendar} today={today} />
      <Editing value={{ mayEdit: read.mayEdit, errorAt }}>
        {theirs && (
          <section
            role="alert"
            className="mb-4 rounded-small border border-gorse bg-gorse-tint p-4 text-gorse-deep"
          >
            <h2 className="text-base">Somebody changed the calendar while you were at it</h2>
            <p className="mt-1">
              Theirs has {theirs.calendar.terms.length} terms, {theirs.calendar.closures.length}{' '}
              closures and {theirs.calendar.bellFor.length} single days; yours has{' '}
              {calendar.terms.length}, {calendar.closures.length} and {calendar.bellFor.length}.
            </p>
            <div className="mt-3 flex gap-3">
              <Button onClick={() => void put(theirs.version)}>Save mine over it</Button>
              <Button onClick={takeTheirs}>Take theirs</Button>
            </div>
          </section>
        )}
        <div className="grid gap-4">
          <Terms calendar={calendar} change={change} />
          <Closures calendar={calendar} change={change} region={region} onRegion={setRegion} />
          <Bells calendar={calendar} change={change} />
          <Cycle calendar={calendar} change={change} />
        </div>
        {read.mayEdit && isChanged && (
          <div className="sticky bottom-0 mt-4 flex flex-wrap items-center gap-3 rounded-big border border-line bg-sheet px-5 py-3.5 shadow-soft">
            <Button
              kind="act"
              disabled={saving.isLoading || wrong !== undefined}
              onClick={() => void put(read.version)}
            >
              {label}
            </Button>
            <Button
              onClick={() => {
                setCalendar(read.calendar as SchoolCalendar);
                setRegion(read.region);
                setProblem(undefined);
              }}
            >
              As it was
            </Button>
            {problem && !theirs && (
              <FieldError>{problem.errors?.[0]?.message ?? problem.title}</FieldError>
            )}
          </div>
        )}
      </Editing>
    </Screen>
  );
}

/** The school's calendar: the head and the office change it, others read it. */
export default function SchoolPage({ me }: { me: Me }) {
  const { data, error, refetch } = api.useSchoolCalendarQuery();
  const now = useNow();
  if (error && !data)
    return (
      <Screen>
        <Trouble problem={problemOf(error)} retry={() => void refetch()} />
      </Screen>
    );
  if (!data)
    return (
      <Screen>
        <Loading lines={8} />
      </Screen>
    );
  return <Editor kept={data} today={wallClock(now, me.school.zone).date} />;
}
