import { Search } from 'lucide-react';
import { NavLink } from 'react-router';
import type { Me } from '@glen/contract';
import { AccountMenu } from '../accounts/AccountMenu.js';
import { SchoolClock } from './DemoClock.js';

export const PLACES = [
  { path: '/today', name: 'Today', key: '1' },
  { path: '/plan', name: 'Plan', key: '2' },
  { path: '/classes', name: 'Classes', key: '3' },
  { path: '/posts', name: 'Posts', key: '4' },
  { path: '/school', name: 'School', key: '5' },
] as const;

export function TopBar({ me, onFind }: { me: Me; onFind: () => void }) {
  return (
    <header className="flex min-h-13 shrink-0 flex-wrap items-center gap-x-4 gap-y-1 bg-bar px-6 text-bar-ink max-half:py-2 half:flex-nowrap wide:gap-6 print:hidden">
      <a href="#main" className="sr-only focus:not-sr-only">
        To the page
      </a>
      <NavLink
        to="/today"
        className="flex items-center gap-2.5 font-head text-xl font-bold max-half:-order-2"
      >
        <img src="/mark.svg" alt="" width="28" height="28" />
        Glen
      </NavLink>
      <nav aria-label="Places" className="flex gap-4 max-half:w-full wide:gap-6">
        {PLACES.map(({ path, name }) => (
          <NavLink
            key={path}
            to={path}
            className={({ isActive }) =>
              `border-b-3 py-1.5 ${isActive ? 'border-bar-mark font-semibold' : 'border-transparent text-bar-soft hover:text-bar-ink'}`
            }
          >
            {path === '/school' && me.school.alone ? 'Setup' : name}
          </NavLink>
        ))}
      </nav>
      <button
        type="button"
        onClick={onFind}
        className="ml-auto flex w-36 items-center max-half:ml-0 max-half:flex-1 wide:w-44 gap-2 rounded-small border border-bar-edge px-3 py-1 text-md text-bar-soft hover:border-bar-soft"
      >
        <Search size={14} aria-hidden="true" className="shrink-0" />
        <span className="truncate">Find or do…</span>
        <kbd className="ml-auto rounded border border-bar-edge px-1.5 font-mono text-xs">/</kbd>
      </button>
      <SchoolClock zone={me.school.zone} demo={me.demo} />
      <span className="max-half:-order-1 max-half:ml-auto">
        <AccountMenu me={me} />
      </span>
    </header>
  );
}
