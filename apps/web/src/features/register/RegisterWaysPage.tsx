import { Link } from 'react-router';
import type { Answer, Sent } from '@glen/contract';
import { api } from '../../app/api.js';
import { Loaded } from '../../app/Loaded.js';
import { useKeptForm } from '../../app/useKeptForm.js';
import { Button, buttonClass } from '../../ui/Button.js';
import { ChoicePart } from '../../ui/choices.js';
import { FieldError } from '../../ui/Field.js';
import { Screen } from '../../ui/Margin.js';
import { NumberPart } from '../../ui/NumberPart.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { Theirs } from '../../ui/Theirs.js';
import { SchoolTabs } from '../school/SchoolTabs.js';

type Ways = Answer<'registerWays'>;
type Fields = Omit<Sent<'setRegisterWays'>, 'version'>;

const NO_DAY = 'none';
const DAY_NAMES = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];
const DAYS = [
  { value: NO_DAY, label: 'on no day' },
  ...DAY_NAMES.map((label, i) => ({ value: String(i + 1), label: `on ${label}s at 16:00` })),
];
const SEEN_BY = [
  { value: 'own', label: 'see their own term' },
  { value: 'nobody', label: 'do not see theirs' },
];

const KEPT = 'kept';
const GONE = 'gone';
const CHATS = [
  { value: GONE, label: 'goes with the room' },
  { value: KEPT, label: 'is kept for its hosts', hint: 'who comes is told so at the door' },
];

const dayInWords = (day: number | null): string =>
  day === null
    ? 'Nobody is told of the week'
    : `Staff are told of the week on ${DAY_NAMES[day - 1]}s`;

const schema = async () => (await import('@glen/contract/forms')).registerWaysForm;
const fieldsOf = ({ mayEdit: _, version: __, ...fields }: Ways): Fields => fields;

function useWays(kept: Ways) {
  const [save] = api.useSetRegisterWaysMutation();
  return useKeptForm<Ways, Fields, Fields>({
    kept,
    keepAs: 'register-ways',
    fieldsOf,
    schema,
    save: (sent, version) => save({ body: { ...sent, version } }),
  });
}

type Editing = ReturnType<typeof useWays>;

/** A number that is typed; what is none is refused beside the sentence. */
const numberOf = (typed: string): number => (/^\d+$/.test(typed) ? Number(typed) : NaN);
const shown = (value: number): string => (Number.isNaN(value) ? '' : String(value));

/** Only a room that Glen makes tells what was written in it. */
function ChatsPart({ watch, change }: Editing) {
  const { data: me } = api.useMeQuery();
  if (!me?.services.video) return null;
  return (
    <>
      What is written in the chat of a session{' '}
      <ChoicePart
        label="What becomes of chats"
        value={watch('keepsChat') ? KEPT : GONE}
        choices={CHATS}
        onChange={(v) => change({ keepsChat: v === KEPT })}
      />
      .
    </>
  );
}

function Sentence(editing: Editing) {
  const { watch, change, errorAt } = editing;
  const day = watch('returnDay');
  return (
    <p className="text-lg leading-sentence">
      Those who teach, and the head, are told who came in the week{' '}
      <ChoicePart
        label="When staff are told of the week"
        value={day === null ? NO_DAY : String(day)}
        choices={DAYS}
        onChange={(v) => change({ returnDay: v === NO_DAY ? null : Number(v) })}
      />
      . Students{' '}
      <ChoicePart
        label="What students see"
        value={watch('seenBy')}
        choices={SEEN_BY}
        onChange={(v) => change({ seenBy: v as Fields['seenBy'] })}
      />
      . When somebody has missed{' '}
      <NumberPart
        label="Lessons missed in a row"
        value={shown(watch('missedInRow'))}
        invalid={errorAt('missedInRow') !== undefined}
        onChange={(v) => change({ missedInRow: numberOf(v) })}
      />{' '}
      lessons in a row, their hosts are told (0: never). When each came and left is kept{' '}
      <NumberPart
        label="Days that arrivals are kept"
        wide
        value={shown(watch('keptDays'))}
        invalid={errorAt('keptDays') !== undefined}
        onChange={(v) => change({ keptDays: numberOf(v) })}
      />{' '}
      days; from then on only how each register stood. <ChatsPart {...editing} />
    </p>
  );
}

function Form({ kept }: { kept: Ways }) {
  const editing = useWays(kept);
  const { formState, problem, theirs, isDirty, submit, errorAt } = editing;
  const wrong = errorAt('missedInRow') ?? errorAt('keptDays');
  return (
    <form className="grid max-w-2xl gap-5" noValidate onSubmit={submit}>
      {theirs && <Theirs {...editing}>Theirs: {dayInWords((theirs as Ways).returnDay)}.</Theirs>}
      <Sentence {...editing} />
      {wrong && <FieldError>{wrong}</FieldError>}
      {problem && !theirs && <FieldError>{problem.title}</FieldError>}
      <p>
        <Button type="submit" kind="act" disabled={!isDirty || formState.isSubmitting}>
          Save it
        </Button>
      </p>
    </form>
  );
}

const ToRead = ({ ways }: { ways: Ways }) => (
  <div className="grid max-w-2xl gap-2 text-lg">
    <p>{dayInWords(ways.returnDay)}.</p>
    <p>Students {ways.seenBy === 'own' ? 'see their own term' : 'do not see theirs'}.</p>
    <p>
      {ways.missedInRow === 0
        ? 'Nobody is told when somebody misses lessons in a row.'
        : `Hosts are told when somebody has missed ${ways.missedInRow} lessons in a row.`}
    </p>
    <p>When each came and left is kept {ways.keptDays} days; then only how each register stood.</p>
    <p>
      What is written in the chat of a session{' '}
      {ways.keepsChat ? 'is kept for its hosts' : 'goes with the room'}.
    </p>
  </div>
);

/** What the school does with its registers: head and office change it, others read it. */
export default function RegisterWaysPage() {
  const asked = api.useRegisterWaysQuery();
  return (
    <Loaded asked={asked}>
      {(ways) => (
        <Screen margin={false}>
          <SchoolTabs />
          <ScreenTitle tab="Registers" className="mb-4">
            What becomes of registers
          </ScreenTitle>
          <p className="mb-4">
            <Link className={buttonClass()} to="/registers">
              Who came this week
            </Link>
          </p>
          {ways.mayEdit ? <Form kept={ways} /> : <ToRead ways={ways} />}
        </Screen>
      )}
    </Loaded>
  );
}
