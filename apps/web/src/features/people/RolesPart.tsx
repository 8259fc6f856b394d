import { PERSON_ROLES, type PersonRole } from '@glen/core/light';

const WORDS: Record<PersonRole, { name: string; may: string }> = {
  head: { name: 'Head', may: 'teaches, and looks after the school' },
  office: { name: 'Office', may: 'looks after people, rolls and the calendar' },
  teacher: { name: 'Teacher', may: 'teaches class periods' },
  student: { name: 'Student', may: 'stands on rolls' },
  guest: { name: 'Guest', may: 'is invited by name' },
};

interface RolesPartProps {
  roles: PersonRole[];
  onChange: (roles: PersonRole[]) => void;
}

/** What somebody is to the school: as many as are true. */
export const RolesPart = ({ roles, onChange }: RolesPartProps) => (
  <fieldset className="min-w-0">
    <legend className="text-sm font-semibold">What they are to the school</legend>
    <div className="mt-1 grid gap-1">
      {PERSON_ROLES.map((role) => (
        <label key={role} className="flex items-baseline gap-2.5">
          <input
            type="checkbox"
            className="accent-bracken"
            checked={roles.includes(role)}
            onChange={(e) =>
              onChange(e.target.checked ? [...roles, role] : roles.filter((r) => r !== role))
            }
          />
          <span>
            {WORDS[role].name} <span className="text-sm text-soft">{WORDS[role].may}</span>
          </span>
        </label>
      ))}
    </div>
  </fieldset>
);
