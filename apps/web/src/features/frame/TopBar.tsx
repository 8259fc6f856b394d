import { Search } from 'lucide-react';
import { NavLink } from 'react-router';
import type { Me } from '@glen/contract';
import { AccountMenu } from '../accounts/AccountMenu.js';
import { SchoolClock } from './DemoClock.js';
import * as say from './words.js';

export const PLACES = [
  { path: '/today', name: say.today, key: '1' },
  { path: '/plan', name: say.plan, key: '2' },
  { path: '/classes', name: say.classes, key: '3' },
  { path: '/posts', name: say.posts, key: '4' },
  { path: '/school', name: say.school, key: '5' },
] as const;

/** Where the places stand on a phone: in a bar at the bottom, for the thumb. */
const AT_THE_BOTTOM =
  'max-half:fixed max-half:inset-x-0 max-half:bottom-0 max-half:z-20 max-half:gap-0 max-half:bg-bar max-half:px-1';
const FOR_THE_THUMB =
  'max-half:flex max-half:min-h-14 max-half:flex-1 max-half:items-center max-half:justify-center max-half:border-t-3 max-half:border-b-0';

const Places = ({ alone }: { alone: boolean }) => (
  <nav aria-label={say.places} className={`flex gap-4 wide:gap-6 ${AT_THE_BOTTOM}`}>
    {PLACES.map(({ path, name }) => (
      <NavLink
        key={path}
        to={path}
        className={({ isActive }) =>
          `border-b-3 py-1.5 ${FOR_THE_THUMB} ${isActive ? 'border-bar-mark font-semibold' : 'border-transparent text-bar-soft hover:text-bar-ink'}`
        }
      >
        {path === '/school' && alone ? say.setup : name}
      </NavLink>
    ))}
  </nav>
);

/** What is searched and done by its name; on a phone a glass alone. */
const Find = ({ onFind }: { onFind: () => void }) => (
  <button
    type="button"
    aria-label={say.findOrDoDots}
    onClick={onFind}
    className="ml-auto flex w-36 items-center gap-2 rounded-small border border-bar-edge px-3 py-1 text-md text-bar-soft hover:border-bar-soft max-half:size-11 max-half:justify-center max-half:border-transparent max-half:p-0 wide:w-44"
  >
    <Search size={14} aria-hidden="true" className="shrink-0 max-half:size-5" />
    <span className="truncate max-half:hidden">{say.findOrDoDots}</span>
    <kbd className="ml-auto rounded border border-bar-edge px-1.5 font-mono text-xs max-half:hidden">
      /
    </kbd>
  </button>
);

export function TopBar({ me, onFind }: { me: Me; onFind: () => void }) {
  return (
    <header className="flex min-h-13 shrink-0 items-center gap-x-2 bg-bar px-4 text-bar-ink half:gap-x-4 half:px-6 wide:gap-6 print:hidden">
      <a href="#main" className="sr-only focus:not-sr-only">
        {say.toThePage}
      </a>
      <NavLink to="/today" className="flex items-center gap-2.5 font-head text-xl font-bold">
        <img src="/mark.svg" alt="" width="28" height="28" />
        {say.glen}
      </NavLink>
      <Places alone={me.school.alone} />
      <Find onFind={onFind} />
      <SchoolClock zone={me.school.zone} demo={me.demo} />
      <AccountMenu me={me} />
    </header>
  );
}
