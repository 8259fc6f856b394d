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
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

type Ways = Answer<'registerWays'>;
type Fields = Omit<Sent<'setRegisterWays'>, 'version'>;

const NO_DAY = 'none';
const DAY_NAMES = [
  say.monday,
  say.tuesday,
  say.wednesday,
  say.thursday,
  say.friday,
  say.saturday,
  say.sunday,
];
const DAYS = [
  { value: NO_DAY, label: say.onNoDay },
  ...DAY_NAMES.map((label, i) => ({
    value: String(i + 1),
    label: fill(say.onDaysAtFour, { label }),
  })),
];
const SEEN_BY = [
  { value: 'own', label: say.seeTheirOwnTerm },
  { value: 'nobody', label: say.doNotSeeTheirs },
];

const KEPT = 'kept';
const GONE = 'gone';
const CHATS = [
  { value: GONE, label: say.goesWithTheRoom },
  { value: KEPT, label: say.isKeptForItsHosts, hint: say.whoComesIsTold },
];

const dayInWords = (day: number | null): string =>
  day === null ? say.nobodyIsTold : fill(say.staffAreTold, { dayName: DAY_NAMES[day - 1]! });

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
      <Said
        as={say.whatIsWritten}
        becomesChats={
          <ChoicePart
            label={say.whatBecomesOfChats}
            value={watch('keepsChat') ? KEPT : GONE}
            choices={CHATS}
            onChange={(v) => change({ keepsChat: v === KEPT })}
          />
        }
      />
    </>
  );
}

function Sentence(editing: Editing) {
  const { watch, change, errorAt } = editing;
  const day = watch('returnDay');
  return (
    <p className="text-lg leading-sentence">
      <Said
        as={say.thoseWhoTeach}
        whenStaff={
          <ChoicePart
            label={say.whenStaffAreTold}
            value={day === null ? NO_DAY : String(day)}
            choices={DAYS}
            onChange={(v) => change({ returnDay: v === NO_DAY ? null : Number(v) })}
          />
        }
        studentsSee={
          <ChoicePart
            label={say.whatStudentsSee}
            value={watch('seenBy')}
            choices={SEEN_BY}
            onChange={(v) => change({ seenBy: v as Fields['seenBy'] })}
          />
        }
        lessonsMissed={
          <NumberPart
            label={say.lessonsMissedInARow}
            value={shown(watch('missedInRow'))}
            invalid={errorAt('missedInRow') !== undefined}
            onChange={(v) => change({ missedInRow: numberOf(v) })}
          />
        }
        daysThat={
          <NumberPart
            label={say.daysThatArrivalsAreKept}
            wide
            value={shown(watch('keptDays'))}
            invalid={errorAt('keptDays') !== undefined}
            onChange={(v) => change({ keptDays: numberOf(v) })}
          />
        }
        chatsPart={<ChatsPart {...editing} />}
      />
    </p>
  );
}

function Form({ kept }: { kept: Ways }) {
  const editing = useWays(kept);
  const { formState, problem, theirs, isDirty, submit, errorAt } = editing;
  const wrong = errorAt('missedInRow') ?? errorAt('keptDays');
  return (
    <form className="grid max-w-2xl gap-5" noValidate onSubmit={submit}>
      {theirs && (
        <Theirs {...editing}>
          {fill(say.theirsDay, { day: dayInWords((theirs as Ways).returnDay) })}
        </Theirs>
      )}
      <Sentence {...editing} />
      {wrong && <FieldError>{wrong}</FieldError>}
      {problem && !theirs && <FieldError>{problem.title}</FieldError>}
      <p>
        <Button type="submit" kind="act" disabled={!isDirty || formState.isSubmitting}>
          {say.saveTheChange}
        </Button>
      </p>
    </form>
  );
}

const ToRead = ({ ways }: { ways: Ways }) => (
  <div className="grid max-w-2xl gap-2 text-lg">
    <p>{dayInWords(ways.returnDay)}.</p>
    <p>{ways.seenBy === 'own' ? say.studentsSeeTheirOwn : say.studentsDoNotSeeTheirs}</p>
    <p>
      {ways.missedInRow === 0
        ? say.nobodyIsToldWhenSomebody
        : fill(say.hostsAreToldWhenSomebody, { missedInRow: ways.missedInRow })}
    </p>
    <p>{fill(say.whenEachCameAndLeft, { keptDays: ways.keptDays })}</p>
    <p>{ways.keepsChat ? say.chatIsKept : say.chatGoes}</p>
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
          <ScreenTitle tab={say.registers} className="mb-4">
            {say.whatBecomesOfRegisters}
          </ScreenTitle>
          <p className="mb-4">
            <Link className={buttonClass()} to="/registers">
              {say.whoCameThisWeek}
            </Link>
          </p>
          {ways.mayEdit ? <Form kept={ways} /> : <ToRead ways={ways} />}
        </Screen>
      )}
    </Loaded>
  );
}
