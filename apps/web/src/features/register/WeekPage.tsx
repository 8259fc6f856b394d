import { Link, useSearchParams } from 'react-router';
import { addDays, dateInWords, openEndsInWords } from '@glen/core';
import { api } from '../../app/api.js';
import { Loaded } from '../../app/Loaded.js';
import { BackLink } from '../../ui/BackLink.js';
import { Button, buttonClass } from '../../ui/Button.js';
import { Screen } from '../../ui/Margin.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { Empty } from '../../ui/States.js';
import { WeekGrid } from './WeekGrid.js';
import { WeekPeople } from './WeekPeople.js';
import { openEnds, type Week } from './weekWords.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

const A_WEEK = 7;

/** Which week, of one class period perhaps, as the address says it. */
const asParams = (week: string, classId: number | undefined): string =>
  `week=${week}${classId === undefined ? '' : `&class=${classId}`}`;

interface HeadProps {
  week: Week;
  classId: number | undefined;
}

/** What can be done with a week: others, its file, its paper. */
const Head = ({ week: { week, until, classes }, classId }: HeadProps) => (
  <>
    <ScreenTitle tab={fill(say.whoCameWeekOf, { date: dateInWords(week) })}>
      {classId !== undefined && classes[0]
        ? fill(say.whoCameIn, { title: classes[0].title })
        : say.whoCameThatWeek}
    </ScreenTitle>
    <div className="my-3 flex flex-wrap items-center gap-2.5">
      <Link
        className={`${buttonClass()} print:hidden`}
        to={`/registers?${asParams(addDays(week, -A_WEEK), classId)}`}
      >
        {say.weekBefore}
      </Link>
      <span className="font-semibold">
        {fill(say.fromDateToDate, { from: dateInWords(week), until: dateInWords(until) })}
      </span>
      <Link
        className={`${buttonClass()} print:hidden`}
        to={`/registers?${asParams(addDays(week, A_WEEK), classId)}`}
      >
        {say.weekAfter}
      </Link>
      <span className="ml-auto flex flex-wrap gap-2.5 print:hidden">
        <a
          className={buttonClass()}
          download
          href={`/api/registers.csv?week=${week}${classId === undefined ? '' : `&classId=${classId}`}`}
        >
          {say.saveAsCsv}
        </a>
        {classId !== undefined && (
          <Link className={buttonClass()} to={`/registers/term/${classId}`}>
            {say.theWholeTerm}
          </Link>
        )}
        <Button onClick={() => window.print()}>{say.print}</Button>
      </span>
    </div>
  </>
);

/** What needs thought, in a line. */
function OpenEnds({ week }: { week: Week }) {
  const said = openEndsInWords(openEnds(week));
  return <p className="mb-3 text-soft">{said === null ? say.nothingIsOpen : `${said}.`}</p>;
}

function Shown({ week, classId }: HeadProps) {
  return (
    <>
      <Head week={week} classId={classId} />
      {week.classes.length === 0 ? (
        <Empty title={say.noSessionsThisWeek}>{say.whoComesToThose}</Empty>
      ) : (
        <>
          <OpenEnds week={week} />
          {classId === undefined ? <WeekGrid week={week} /> : <WeekPeople week={week} />}
        </>
      )}
      {week.more !== null && (
        <p className="mt-4 print:hidden">
          <Link className={buttonClass()} to={`/registers?week=${week.week}&after=${week.more}`}>
            {say.theNextClassPeriods}
          </Link>
        </p>
      )}
    </>
  );
}

/** A number that an address gives; nothing where it gives none. */
const numberIn = (given: string | null): number | undefined =>
  given !== null && /^\d+$/.test(given) ? Number(given) : undefined;

/** Who came in a week: a teacher’s own class periods, for the head and the office all. */
export default function WeekPage() {
  const [params] = useSearchParams();
  const classId = numberIn(params.get('class'));
  const asked = api.useWeekRegistersQuery({
    query: { week: params.get('week') ?? undefined, classId, after: numberIn(params.get('after')) },
  });
  return (
    <Screen margin={false}>
      <BackLink />
      <Loaded asked={asked} lines={6}>
        {(week) => <Shown week={week} classId={classId} />}
      </Loaded>
    </Screen>
  );
}
