import { Link, NavLink, useParams, useSearchParams } from 'react-router';
import { classTitle } from '@glen/core/light';
import type { ClassItem } from '@glen/contract';
import { buttonClass } from '../../ui/Button.js';
import { Pennant } from '../../ui/Pennant.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { CopyButtons } from '../link/LinkLine.js';
import type { ClassPeriod } from '../school/classPeriod.js';
import { PutAwayLine } from './PutAwayLine.js';

export const TABS = ['sessions', 'entry', 'links', 'posts', 'roll', 'people', 'about'] as const;
type TabName = (typeof TABS)[number];

/** A class has a roll, an occasion people who are named. */
export const hasTab = ({ isOccasion }: Pick<ClassItem, 'isOccasion'>, tab: TabName): boolean =>
  tab !== (isOccasion ? 'roll' : 'people');

const TAB_NAMES = {
  sessions: 'Sessions',
  entry: 'Entry',
  links: 'Links',
  posts: 'Posts',
  roll: 'Roll',
  people: 'Who comes',
  about: 'About',
} as const;

const nameOf = (tab: string | undefined): string =>
  TAB_NAMES[TABS.find((name) => name === tab) ?? 'sessions'];

const LiveLink = ({ link, isOccasion }: Pick<ClassItem, 'link' | 'isOccasion'>) => {
  const [search] = useSearchParams();
  const isComposing = search.has('copy');
  return (
    <>
      <span>{isOccasion ? 'They come in by' : 'Students come in by'}</span>
      <code className="rounded-small bg-shade px-2.5 py-1 font-mono text-lg font-bold">
        /door/{link.code}
      </code>
      <span>{isOccasion ? '' : 'all year.'}</span>
      <span className="ml-auto flex flex-wrap gap-2.5">
        <CopyButtons key={String(isComposing)} link={link} composingAtOnce={isComposing} />
      </span>
    </>
  );
};

const StoppedLink = ({ classId, linkId }: { classId: number; linkId: number }) => (
  <>
    <b className="text-berry-deep">
      Students have no way in: this class period’s link has been stopped.
    </b>
    <span className="ml-auto flex flex-wrap gap-2.5">
      <Link to={`/classes/${classId}/links?new=Lessons`} className={buttonClass('act')}>
        Give it a new link
      </Link>
      <Link to={`/classes/${classId}/links/${linkId}`} className={buttonClass()}>
        Look at the old one
      </Link>
    </span>
  </>
);

/** The class period's lasting link, to copy; where it has been stopped, the way to a new one. */
const LinkBand = ({ classPeriod: { id, link, isOccasion } }: { classPeriod: ClassItem }) => (
  <p className="mt-4 flex flex-wrap items-center gap-3 border-y border-dashed border-edge py-3.5">
    {link.state === 'live' ? (
      <LiveLink link={link} isOccasion={isOccasion} />
    ) : (
      <StoppedLink classId={id} linkId={link.id} />
    )}
  </p>
);

const Tabs = ({ classPeriod: c }: { classPeriod: ClassItem }) => (
  <nav
    aria-label={`About ${c.title}`}
    className="mt-4 mb-4 flex flex-wrap gap-x-6 border-b border-line"
  >
    {TABS.filter((tab) => hasTab(c, tab)).map((tab) => (
      <NavLink
        key={tab}
        to={`/classes/${c.id}/${tab}`}
        className={({ isActive }) =>
          `border-b-3 pb-2 ${isActive ? 'border-bracken font-bold' : 'border-transparent text-soft hover:text-ink'}`
        }
      >
        {TAB_NAMES[tab]}
      </NavLink>
    ))}
  </nav>
);

/** What stands above every tab: who the class is, and its link line. */
export function ClassHead({ classPeriod, zone }: { classPeriod: ClassPeriod; zone: string }) {
  const { class: c, staff } = classPeriod;
  const names = (as: string): string =>
    staff
      .filter((s) => s.as === as)
      .map((s) => s.name)
      .join(', ');
  return (
    <>
      <header className="flex items-center gap-4">
        <Pennant pennant={c.pennant} size="large" />
        <div>
          <ScreenTitle tab={`${nameOf(useParams().tab)}: ${classTitle(c)}`}>
            {classTitle(c)}
          </ScreenTitle>
          <p className="text-soft">
            {c.isOccasion ? '' : `${c.rollSize} on the roll · `}
            {names('host')}
            {names('co-teacher') && ` with ${names('co-teacher')}`}
            {names('presenter') && ` · ${names('presenter')} presents`}
          </p>
        </div>
      </header>
      {c.putAwayAt ? (
        <PutAwayLine classPeriod={classPeriod} putAwayAt={c.putAwayAt} zone={zone} />
      ) : (
        <LinkBand classPeriod={c} />
      )}
      <Tabs classPeriod={c} />
    </>
  );
}
