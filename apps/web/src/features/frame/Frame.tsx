import { Suspense, lazy, useEffect, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Navigate, Outlet, useLocation, useNavigate } from 'react-router';
import type { Me } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { notePath } from '../../app/cameFrom.js';
import { useNow } from '../../app/clock.js';
import { typeAhead } from '../../app/typedAhead.js';
import { useBeginnings } from '../../app/useBeginnings.js';
import { redoLast, undoLast } from '../../app/undo.js';
import { Loading } from '../../ui/States.js';
import { BehalfBar } from './BehalfBar.js';
import { DayLine } from './DayLine.js';
import { PLACES, TopBar } from './TopBar.js';

const loadFinder = () => import('./Finder.js');
const Finder = lazy(loadFinder);

/** Keys that work on every teacher screen while nobody types. */
function useFrameKeys(isFinding: boolean, find: (what: 'all' | 'keys') => void): void {
  const navigate = useNavigate();
  const free = { enabled: !isFinding };
  useHotkeys(
    PLACES.map((p) => p.key),
    (event) => void navigate(PLACES.find((p) => p.key === event.key)!.path),
    free,
  );
  const typeSession = (event: KeyboardEvent): void => {
    event.preventDefault();
    const line = document.getElementById('session-line');
    if (line) return line.focus();
    typeAhead();
    void navigate('/plan/new');
  };
  useHotkeys('s', typeSession, free);
  useHotkeys('u', () => void undoLast(), free);
  useHotkeys('shift+u', () => void redoLast(), free);
  useHotkeys(
    'slash',
    (event) => {
      event.preventDefault();
      typeAhead();
      find('all');
    },
    { useKey: false, ...free },
  );
  useHotkeys('bracketleft', () => void navigate(-1), free);
  useHotkeys('bracketright', () => void navigate(1), free);
  useHotkeys('shift+slash', () => find('keys'), free);
}

const NONE: never[] = [];

/** Every teacher screen: top bar, day line, and the screen below. */
export function Frame({ me }: { me: Me }) {
  const { data: today, error } = api.useTodayQuery();
  const now = useNow();
  const { pathname } = useLocation();
  const [finding, setFinding] = useState<'all' | 'keys' | null>(null);
  // Fetched before it is asked for: whoever presses / types on at once.
  useEffect(() => {
    const timer = setTimeout(() => void loadFinder(), 1000);
    return () => clearTimeout(timer);
  }, []);
  useEffect(() => notePath(pathname), [pathname]);
  useBeginnings(today?.sessions ?? NONE, now);
  useFrameKeys(finding !== null, setFinding);
  if (pathname === '/') return <Navigate to="/today" replace />;
  return (
    <div className="flex min-h-dvh flex-col not-print:max-half:pb-14">
      <TopBar me={me} onFind={() => setFinding('all')} />
      <BehalfBar problem={problemOf(error)} me={me.person!.id} />
      {today ? (
        <DayLine today={today} now={now} zone={me.school.zone} />
      ) : (
        <div className="h-15 shrink-0 border-b border-line bg-shade" />
      )}
      <Suspense
        fallback={
          <div className="p-6">
            <Loading />
          </div>
        }
      >
        <Outlet />
      </Suspense>
      {finding && (
        <Suspense fallback={null}>
          <Finder shows={finding} onClose={() => setFinding(null)} />
        </Suspense>
      )}
    </div>
  );
}
