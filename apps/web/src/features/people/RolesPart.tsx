import { PERSON_ROLES, type PersonRole } from '@glen/core/light';
import * as say from './words.js';

const WORDS: Record<PersonRole, { name: string; may: string }> = {
  head: { name: say.head, may: say.teachesAndLooksAfter },
  office: { name: say.office, may: say.looksAfterPeopleRolls },
  teacher: { name: say.teacher, may: say.teachesClassPeriods },
  student: { name: say.student, may: say.standsOnRolls },
  guest: { name: say.guest, may: say.isInvitedByName },
};

interface RolesPartProps {
  roles: PersonRole[];
  onChange: (roles: PersonRole[]) => void;
}

/** What somebody is to the school: as many as are true. */
export const RolesPart = ({ roles, onChange }: RolesPartProps) => (
  <fieldset className="min-w-0">
    <legend className="text-sm font-semibold">{say.whatThey}</legend>
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
