import { NavLink } from 'react-router';
import { areOffice } from '@glen/core/light';
import type { Me } from '@glen/contract';
import { api } from '../../app/api.js';
import * as say from './words.js';

interface Tab {
  to: string;
  name: string;
  /** Whether somebody has any use for it; left out: everybody. */
  isFor?: (me: Me) => boolean;
}

const forOffice = (me: Me): boolean => areOffice(me.person?.roles ?? []);

const TABS: Tab[] = [
  { to: '/school', name: say.calendar },
  { to: '/school/about', name: say.about },
  { to: '/school/people', name: say.people, isFor: forOffice },
  { to: '/school/sign-in', name: say.signingIn, isFor: forOffice },
  { to: '/school/happened', name: say.whatHappened, isFor: forOffice },
  { to: '/school/registers', name: say.registers },
  { to: '/school/cover', name: say.whoCovers, isFor: (me) => !me.school.alone },
  { to: '/school/entry', name: say.entryRules },
  // Whoever teaches alone has one set of defaults: the school's are theirs.
  { to: '/school/my-entry', name: say.myOwnDefaults, isFor: (me) => !me.school.alone },
];

/** What the School place holds. */
export function SchoolTabs() {
  const { data: me } = api.useMeQuery();
  const tabs = TABS.filter(({ isFor }) => !isFor || (me && isFor(me)));
  return (
    <nav
      aria-label={say.aboutTheSchool}
      className="mb-4 flex flex-wrap gap-x-6 border-b border-line"
    >
      {tabs.map(({ to, name }) => (
        <NavLink
          key={to}
          end
          to={to}
          className={({ isActive }) =>
            `border-b-3 pb-2 ${isActive ? 'border-bracken font-bold' : 'border-transparent text-soft hover:text-ink'}`
          }
        >
          {name}
        </NavLink>
      ))}
    </nav>
  );
}
