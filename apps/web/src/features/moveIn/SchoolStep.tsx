import { useServerForm, wrongAt } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { TextField } from '../../ui/TextField.js';
import { ChoicePart } from '../../ui/choices.js';
import { api } from '../../app/api.js';
import { CLOCK_HOURS, DATE_ORDERS, ZONES } from '../school/zones.js';
import { FIRST_PATTERN, type SchoolDraft } from './firstDraft.js';
import type { MovingIn } from './useMoveInDraft.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

const WHO = [
  { value: 'school', label: say.aSchoolWithSeveralTeachers },
  { value: 'alone', label: say.aClassOfMyOwn },
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
      label={say.region}
      value={region || NO_REGION}
      onChange={(code) => onChange(code === NO_REGION ? '' : code)}
      choices={[
        { value: NO_REGION, label: say.nowhere },
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
    <Said
      as={say.itIsItsTimes}
      whatIt={
        <ChoicePart
          label={say.whatItIs}
          value={school.alone ? 'alone' : 'school'}
          onChange={(v) => change({ alone: v === 'alone' })}
          choices={WHO}
        />
      }
      timeZone={
        <ChoicePart
          label={say.timeZone}
          value={school.zone}
          onChange={(zone) => change({ zone })}
          choices={ZONES}
        />
      }
      orderDates={
        <ChoicePart
          label={say.orderOfDates}
          value={school.dateOrder}
          onChange={(v) => change({ dateOrder: v as SchoolDraft['dateOrder'] })}
          choices={DATE_ORDERS}
        />
      }
      clock={
        <ChoicePart
          label={say.clock}
          value={school.hours}
          onChange={(v) => change({ hours: v as SchoolDraft['hours'] })}
          choices={CLOCK_HOURS}
        />
      }
      regionPart={
        <RegionPart
          token={token}
          region={school.region}
          onChange={(region) => change({ region })}
        />
      }
    />
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
        school.name.trim() === '' ? { error: wrongAt('name', say.sayWhatItIsCalled) } : {},
      ),
    onDone: onNext,
  });
  return (
    <form className="grid gap-5" noValidate onSubmit={submit}>
      <TextField
        label={school.alone ? say.whatDoYourStudentsKnow : say.whatIsTheSchoolCalled}
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
        label={say.whomDoStudentsAskWhen}
        hint={say.shownAtTheDoor}
        maxLength={300}
        value={school.help}
        onChange={(e) => change({ help: e.target.value })}
      />
      <p>
        <Button type="submit" kind="act">
          {say.nextTheYear}
        </Button>
      </p>
    </form>
  );
}
