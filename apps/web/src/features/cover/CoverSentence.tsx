import { Button } from '../../ui/Button.js';
import { DateField } from '../../ui/DateField.js';
import { FieldError } from '../../ui/Field.js';
import { ChoicePart } from '../../ui/choices.js';
import { ToCover } from './ToCover.js';
import { useCover, type Covers } from './useCover.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

type Saying = ReturnType<typeof useCover>;
type People = Covers['staff'];

const choicesOf = (people: People) =>
  people.map((one) => ({ value: String(one.id), label: one.name }));

/** Who is away: oneself, or for the head and the office anybody. */
function Absent({ saying, absent, me }: { saying: Saying; absent: People; me: number }) {
  if (absent.length === 1 && absent[0]!.id === me) return <>{say.iAmAway}</>;
  return (
    <>
      <Said
        as={say.awayIsAway}
        away={
          <ChoicePart
            label={say.whoIsAway}
            value={String(saying.wanted.absentId)}
            choices={choicesOf(absent)}
            onChange={(id) => saying.change({ absentId: Number(id) })}
          />
        }
      />
    </>
  );
}

/** What pressing it does, clashes and all. */
function saveLabel({ sessions, nameOf, wanted }: Saying): string {
  const clashes = sessions?.filter((session) => session.clashes.length > 0).length ?? 0;
  const name = nameOf(wanted.coveringId);
  if (name === '') return say.haveThemCovered;
  return clashes > 0 ? fill(say.haveCoverAllTheSame, { name }) : fill(say.haveCover, { name });
}

/** Who covers for whom, said in one sentence; what it would be of stands below before it is saved. */
export function CoverSentence({ covers, me }: { covers: Covers; me: number }) {
  const saying = useCover(covers);
  const { wanted, change, errorAt, problem, isSending, sessions } = saying;
  const wrong = errorAt('absentId', 'coveringId', 'first', 'last');
  return (
    <form noValidate onSubmit={saying.submit}>
      <p className="max-w-3xl text-lg leading-sentence">
        <Absent saying={saying} absent={covers.absent} me={me} />{' '}
        <Said
          as={say.fromToAndCovers}
          firstDay={
            <DateField
              dress="part"
              aria-label={say.theFirstDay}
              value={wanted.first}
              invalid={errorAt('first') !== undefined}
              onChange={saying.beginOn}
            />
          }
          lastDay={
            <DateField
              dress="part"
              aria-label={say.theLastDay}
              value={wanted.last}
              invalid={errorAt('last') !== undefined}
              onChange={(last) => change({ last })}
            />
          }
          covers={
            <ChoicePart
              label={say.whoCovers}
              value={String(wanted.coveringId)}
              invalid={errorAt('coveringId') !== undefined}
              choices={choicesOf(covers.staff.filter((one) => one.id !== wanted.absentId))}
              onChange={(id) => change({ coveringId: Number(id) })}
            />
          }
        />
      </p>
      {wrong && <FieldError>{wrong}</FieldError>}
      {problem && !wrong && <FieldError>{problem.title}</FieldError>}
      {sessions && <ToCover sessions={sessions} />}
      <p className="mt-4">
        <Button type="submit" kind="act" disabled={isSending || wanted.coveringId === 0}>
          {saveLabel(saying)}
        </Button>
      </p>
    </form>
  );
}
