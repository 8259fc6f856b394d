import { Link, useParams, useSearchParams } from 'react-router';
import { classTitle } from '@glen/core/light';
import type { ClassItem } from '@glen/contract';
import { buttonClass } from '../../ui/Button.js';
import { Pennant } from '../../ui/Pennant.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { CopyButtons } from '../link/LinkLine.js';
import type { ClassPeriod } from '../school/classPeriod.js';
import { PutAwayLine } from './PutAwayLine.js';
import { TABS, TAB_NAMES } from './tabs.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

const nameOf = (tab: string | undefined): string =>
  TAB_NAMES[TABS.find((name) => name === tab) ?? 'sessions'];

const LiveLink = ({ link }: Pick<ClassItem, 'link'>) => {
  const [search] = useSearchParams();
  const isComposing = search.has('copy');
  return (
    <>
      <code className="min-w-0 font-mono text-base font-bold break-all">
        {`/door/${link.code}`}
      </code>
      <span className="flex flex-wrap gap-2.5 print:hidden">
        <CopyButtons key={String(isComposing)} link={link} composingAtOnce={isComposing} />
      </span>
    </>
  );
};

const StoppedLink = ({ classId, linkId }: { classId: number; linkId: number }) => (
  <>
    <b className="text-berry-deep">{say.studentsHaveNoWay}</b>
    <span className="flex flex-wrap gap-2.5">
      <Link to={`/classes/${classId}/links?new=Lessons`} className={buttonClass('act')}>
        {say.giveItANewLink}
      </Link>
      <Link to={`/classes/${classId}/links/${linkId}`} className={buttonClass()}>
        {say.lookAtTheOldOne}
      </Link>
    </span>
  </>
);

/** The class period's lasting address, as on a plate beside a door; where it has been stopped, the way to a new one. */
const Plate = ({ classPeriod: { id, link } }: { classPeriod: ClassItem }) => (
  <section
    aria-label={say.theLastingLink}
    className="ml-auto flex min-w-0 flex-wrap items-center gap-x-3.5 gap-y-2 rounded-small border border-dashed border-edge px-3.5 py-2"
  >
    {link.state === 'live' ? (
      <LiveLink link={link} />
    ) : (
      <StoppedLink classId={id} linkId={link.id} />
    )}
  </section>
);

/** What stands above every part: who the class is, and its lasting address. */
export function ClassHead({ classPeriod, zone }: { classPeriod: ClassPeriod; zone: string }) {
  const { class: c, staff } = classPeriod;
  const names = (as: string): string =>
    staff
      .filter((s) => s.as === as)
      .map((s) => s.name)
      .join(', ');
  return (
    <>
      <header className="mb-5 flex flex-wrap items-center gap-4 border-b border-line pb-5">
        <Pennant pennant={c.pennant} size="large" />
        <div className="min-w-0 flex-1 basis-60">
          <ScreenTitle tab={`${nameOf(useParams().tab)}: ${classTitle(c)}`}>
            {classTitle(c)}
          </ScreenTitle>
          <p className="text-soft">
            {names('host')}
            {names('co-teacher') &&
              ` ${fill(say.withCoTeacher, { coTeacher: names('co-teacher') })}`}
            {names('presenter') &&
              ` · ${fill(say.presenterPresents, { presenter: names('presenter') })}`}
          </p>
        </div>
        {!c.putAwayAt && <Plate classPeriod={c} />}
      </header>
      {c.putAwayAt && <PutAwayLine classPeriod={classPeriod} putAwayAt={c.putAwayAt} zone={zone} />}
    </>
  );
}
