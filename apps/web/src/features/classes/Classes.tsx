import { Link } from 'react-router';
import { unposted, worstFirst, type Note } from '@glen/core';
import { classTitle } from '@glen/core/light';
import type { Answer, ClassItem, Me } from '@glen/contract';
import { api } from '../../app/api.js';
import { Loaded } from '../../app/Loaded.js';
import { useNoteActions } from '../../app/useNoteActions.js';
import { buttonClass } from '../../ui/Button.js';
import { Margin, Screen } from '../../ui/Margin.js';
import { Pennant } from '../../ui/Pennant.js';
import { Empty } from '../../ui/States.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { MakeOccasion } from './MakeOccasion.js';
import { CopyButtons } from '../link/LinkLine.js';
import { mayEdit } from '../school/mayEdit.js';
import { mayMakeClasses } from '../school/mayMakeClasses.js';
import { fill, many } from '../../ui/fill.js';
import * as say from './words.js';

const AS = {
  host: say.youHost,
  'co-teacher': say.youCoTeach,
  presenter: say.youVisitAndPresent,
  tutor: say.youHostAtOne,
  none: '',
} as const;

const ALL_STAND: Note = {
  severity: 'well',
  title: say.everyLinkStandsSomewhere,
  text: say.onTheClassStreams,
};

/** Which of the reader's class periods have a link that stands nowhere. */
function notesFor(today: Answer<'today'> | undefined): Note[] {
  if (!today) return [];
  const stands = new Set(today.placements.filter((p) => p.state !== 'draft').map((p) => p.classId));
  const hosted = today.classes.filter((c) => mayEdit(c));
  const nowhere = hosted.filter((c) => !stands.has(c.id));
  if (nowhere.length > 0)
    return worstFirst(nowhere.map((c) => unposted({ id: c.id, title: classTitle(c) })));
  return hosted.length > 0 ? [ALL_STAND] : [];
}

/** A class period's link to copy, or the way to a new one. */
function LinkCell({ classPeriod: { id, link } }: { classPeriod: ClassItem }) {
  if (link.state !== 'live')
    return (
      <Link className={buttonClass('act')} to={`/classes/${id}/links?new=Lessons`}>
        {say.itsLinkIsStoppedGive}
      </Link>
    );
  return (
    <>
      <code className="rounded-small bg-shade px-2 py-0.5 font-mono">{`/door/${link.code}`}</code>
      <CopyButtons link={link} />
    </>
  );
}

function ClassRow({ classPeriod: c }: { classPeriod: ClassItem }) {
  // A tutor hosts at one of its links only; the page of the class period is not theirs.
  const isOpen = c.mine !== 'tutor';
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-2 border-t border-line py-3.5">
      <Pennant pennant={c.pennant} />
      <div className="min-w-0 flex-1 basis-56">
        <h2 className="text-lg">
          {isOpen ? (
            <Link className="hover:underline" to={`/classes/${c.id}`}>
              {classTitle(c)}
            </Link>
          ) : (
            classTitle(c)
          )}
        </h2>
        <p className="text-soft">
          {[c.isOccasion ? '' : fill(say.onTheRoll, { rollSize: c.rollSize }), AS[c.mine]]
            .filter(Boolean)
            .join(' · ')}
        </p>
      </div>
      {isOpen && <LinkCell classPeriod={c} />}
    </li>
  );
}

interface OccasionsProps {
  occasions: ClassItem[];
  mayMake: boolean;
}

/** What is no class stands apart. */
function Occasions({ occasions, mayMake }: OccasionsProps) {
  if (occasions.length === 0 && !mayMake) return null;
  return (
    <section aria-label={say.occasions} className="mt-8">
      <h2 className="text-xl">{say.occasions}</h2>
      <p className="text-soft">{say.colleaguesATalkAFamily}</p>
      <ul className="mt-2">
        {occasions.map((c) => (
          <ClassRow key={c.id} classPeriod={c} />
        ))}
      </ul>
      {mayMake && <MakeOccasion />}
    </section>
  );
}

/** Those that are over, folded: each can be looked at and brought back on its page. */
const PutAway = ({ classes }: { classes: ClassItem[] }) => (
  <details className="mt-6">
    <summary className="cursor-pointer font-semibold">
      {many(say.arePutAway, classes.length)}
    </summary>
    <ul className="mt-2">
      {classes.map((c) => (
        <li key={c.id} className="flex items-center gap-4 border-t border-line py-2.5">
          <Pennant pennant={c.pennant} />
          <Link className="hover:underline" to={`/classes/${c.id}/about`}>
            {classTitle(c)}
          </Link>
        </li>
      ))}
    </ul>
  </details>
);

const Head = ({ count, mayMake }: { count: number; mayMake: boolean }) => (
  <header className="mb-4 flex flex-wrap items-baseline gap-x-4 gap-y-2">
    <ScreenTitle tab={say.classes}>{many(say.classPeriods, count)}</ScreenTitle>
    <span className="ml-auto flex flex-wrap gap-2.5">
      {count > 0 && (
        <>
          <Link to="/registers" className={buttonClass()}>
            {say.whoCame}
          </Link>
          <Link to="/links" className={buttonClass()}>
            {say.allMyLinks}
          </Link>
          <Link to="/classes/links" className={buttonClass()}>
            {say.sheetOfLinks}
          </Link>
        </>
      )}
      {mayMake && (
        <Link to="/begin" className={buttonClass('act')}>
          {say.makeAClassPeriod}
        </Link>
      )}
    </span>
  </header>
);

/** Every class period with its lasting link. */
export function ClassesPage({ me }: { me: Me }) {
  const mayMake = mayMakeClasses(me);
  const asked = api.useClassesQuery();
  const { data: today } = api.useTodayQuery();
  const act = useNoteActions();
  return (
    <Loaded asked={asked}>
      {({ classes: all, putAway }) => {
        const classes = all.filter((c) => !c.isOccasion);
        const occasions = all.filter((c) => c.isOccasion);
        return (
          <Screen margin={<Margin notes={notesFor(today)} onAction={act} />}>
            <Head count={classes.length} mayMake={mayMake} />
            {classes.length === 0 && (
              <Empty title={say.noClassPeriodsYet}>
                {mayMake ? say.makeOneAndItsLink : say.theOfficePutsYouDown}
              </Empty>
            )}
            <ul>
              {classes.map((c) => (
                <ClassRow key={c.id} classPeriod={c} />
              ))}
            </ul>
            <Occasions occasions={occasions} mayMake={mayMake} />
            {putAway.length > 0 && <PutAway classes={putAway} />}
          </Screen>
        );
      }}
    </Loaded>
  );
}
