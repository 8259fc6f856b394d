import { NavLink } from 'react-router';

const TABS = [
  { to: '/school', name: 'Calendar' },
  { to: '/school/about', name: 'About' },
  { to: '/school/entry', name: 'Entry rules' },
  { to: '/school/my-entry', name: 'My own defaults' },
];

/** What the School place holds. */
export const SchoolTabs = () => (
  <nav aria-label="About the school" className="mb-4 flex gap-6 border-b border-line">
    {TABS.map(({ to, name }) => (
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
