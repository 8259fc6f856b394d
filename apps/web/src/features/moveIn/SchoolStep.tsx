import { useServerForm, wrongAt } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { TextField } from '../../ui/TextField.js';
import { ChoicePart } from '../../ui/choices.js';
import { api } from '../../app/api.js';
import { CLOCK_HOURS, DATE_ORDERS, ZONES } from '../school/zones.js';
import { FIRST_PATTERN, type SchoolDraft } from './firstDraft.js';
import type { MovingIn } from './useMoveInDraft.js';

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
  <p className="text-lg leading-sentence">
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
      choices={DATE_ORDERS}
    />{' '}
    and its hours{' '}
    <ChoicePart
      label="Clock"
      value={school.hours}
      onChange={(v) => change({ hours: v as SchoolDraft['hours'] })}
      choices={CLOCK_HOURS}
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
  const { errorAt, clearErrors, submit } = useServerForm<{ name: string }, unknown, void>({
    start: { name: school.name },
    send: () =>
      Promise.resolve(
        school.name.trim() === '' ? { error: wrongAt('name', 'Say what it is called.') } : {},
      ),
    onDone: onNext,
  });
  return (
    <form className="grid gap-5" noValidate onSubmit={submit}>
      <TextField
        label={school.alone ? 'What do your students know it as?' : 'What is the school called?'}
        error={errorAt('name')}
        autoFocus
        maxLength={200}
        value={school.name}
        onChange={(e) => {
          change({ name: e.target.value });
          clearErrors();
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
