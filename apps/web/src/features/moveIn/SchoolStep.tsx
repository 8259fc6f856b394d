import { useState } from 'react';
import { Button } from '../../ui/Button.js';
import { TextField } from '../../ui/TextField.js';
import { ChoicePart } from '../../ui/SentencePart.js';
import { api } from '../../app/api.js';
import { ZONES } from '../school/zones.js';
import { FIRST_PATTERN, type SchoolDraft } from './firstDraft.js';
import type { MovingIn } from './useMoveInDraft.js';

const ORDERS = [
  { value: 'dmy', label: '14 Oct 2026', hint: 'day first' },
  { value: 'mdy', label: 'Oct 14, 2026', hint: 'month first' },
  { value: 'ymd', label: '2026-10-14', hint: 'year first' },
];
const HOURS = [
  { value: '24', label: '14:05' },
  { value: '12', label: '2:05 pm' },
];
const WHO = [
  { value: 'school', label: 'a school with several teachers' },
  { value: 'alone', label: 'a class of my own: I teach alone' },
];

const NO_REGION = '-';

/** Any dates do to be told the regions. */
const SOME_YEAR = { first: '2026-01-01', last: '2026-12-31' };

/** Where public holidays are looked up: a country, or a part of the one that is chosen. */
function RegionPart({ token, region, onChange }: RegionProps) {
  const { data } = api.useMoveInHolidaysQuery({
    params: { token },
    query: { region, ...SOME_YEAR },
  });
  const regions = data?.regions ?? (region ? [{ code: region, name: region }] : []);
  return (
    <ChoicePart
      label="Region"
      value={region || NO_REGION}
      onChange={(code) => onChange(code === NO_REGION ? '' : code)}
      choices={[
        { value: NO_REGION, label: 'nowhere' },
        ...regions.map(({ code, name }) => ({ value: code, label: name })),
      ]}
    />
  );
}

interface RegionProps {
  token: string;
  region: string;
  onChange: (region: string) => void;
}

interface SentenceProps {
  token: string;
  school: SchoolDraft;
  change: (part: Partial<SchoolDraft>) => void;
}

const Sentence = ({ token, school, change }: SentenceProps) => (
  <p className="text-lg leading-[2.3]">
    It is{' '}
    <ChoicePart
      label="What it is"
      value={school.alone ? 'alone' : 'school'}
      onChange={(v) => change({ alone: v === 'alone' })}
      choices={WHO}
    />
    . Its times are those of{' '}
    <ChoicePart
      label="Time zone"
      value={school.zone}
      onChange={(zone) => change({ zone })}
      choices={ZONES}
    />
    , its dates are written{' '}
    <ChoicePart
      label="Order of dates"
      value={school.dateOrder}
      onChange={(v) => change({ dateOrder: v as SchoolDraft['dateOrder'] })}
      choices={ORDERS}
    />{' '}
    and its hours{' '}
    <ChoicePart
      label="Clock"
      value={school.hours}
      onChange={(v) => change({ hours: v as SchoolDraft['hours'] })}
      choices={HOURS}
    />
    ; public holidays are those of{' '}
    <RegionPart token={token} region={school.region} onChange={(region) => change({ region })} />.
  </p>
);

interface StepProps {
  token: string;
  moving: MovingIn;
  onNext: () => void;
}

/** Page 1: the school. */
export function SchoolStep({ token, moving, onNext }: StepProps) {
  const { school } = moving.draft;
  const change = (part: Partial<SchoolDraft>): void => {
    moving.change('school', part);
    // Whoever teaches alone has no bells, unless they wish for some.
    if (part.alone !== undefined)
      moving.change('year', { bells: part.alone ? null : FIRST_PATTERN });
  };
  const [error, setError] = useState<string>();
  const next = (): void => {
    if (school.name.trim() === '') setError('Say what it is called.');
    else onNext();
  };
  return (
    <form
      className="grid gap-5"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        next();
      }}
    >
      <TextField
        label={school.alone ? 'What do your students know it as?' : 'What is the school called?'}
        error={error}
        autoFocus
        maxLength={200}
        value={school.name}
        onChange={(e) => {
          change({ name: e.target.value });
          setError(undefined);
        }}
      />
      <Sentence token={token} school={school} change={change} />
      <TextField
        label="Whom do students ask when something technical fails? (may come later)"
        hint="Shown at the door, so that they do not ask the teacher who is teaching."
        maxLength={300}
        value={school.help}
        onChange={(e) => change({ help: e.target.value })}
      />
      <p>
        <Button type="submit" kind="act">
          Next: the year
        </Button>
      </p>
    </form>
  );
}
