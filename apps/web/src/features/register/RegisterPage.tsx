import { Link, useParams } from 'react-router';
import { addMinutes, dateInWords } from '@glen/core/light';
import type { Me } from '@glen/contract';
import { api } from '../../app/api.js';
import { Loaded } from '../../app/Loaded.js';
import { BackLink } from '../../ui/BackLink.js';
import { Screen } from '../../ui/Margin.js';
import { Empty } from '../../ui/States.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { AfterLesson } from './AfterLesson.js';
import { RegisterRow } from './RegisterRow.js';
import { Settle } from './Settle.js';
import type { Register } from './states.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

/** Whether nothing is kept any more of when anybody was in. */
const areSpansGone = ({ rows }: Register): boolean =>
  rows.some((row) => row.minutes > 0) && rows.every((row) => row.spans.length === 0);

/** What is not known of a session, and why. */
function notKnown(register: Register) {
  const { wasOpened, isOver, seesRoom } = register;
  if (!wasOpened && isOver) return say.nobodyIsCountedAbsentUnless;
  if (!seesRoom) return say.itsRoomCannotBeLooked;
  return areSpansGone(register) ? say.whenEachWas : undefined;
}

function Shown({ register, zone }: { register: Register; zone: string }) {
  const { title, date, time, minutes, isOver, wasOpened, inWords, rows, questions, keptUntil } =
    register;
  const unknown = notKnown(register);
  return (
    <>
      <ScreenTitle tab={fill(say.whoCame, { title })}>{say.whoCameShort}</ScreenTitle>
      <p className="text-soft">
        {title}, {dateInWords(date)}, {time}–{addMinutes(time, minutes)} ·{' '}
        <Link
          className="text-bracken-deep underline underline-offset-3"
          to={`/registers?week=${date}`}
        >
          {say.theWholeWeek}
        </Link>
      </p>
      <p className="mt-3 mb-2 text-lg font-semibold">
        {!isOver && wasOpened ? fill(say.soFar, { said: inWords }) : inWords}
      </p>
      {unknown && <p className="mb-2 max-w-2xl text-soft">{unknown}</p>}
      <Settle register={register} zone={zone} />
      {questions.map((one) => (
        <p key={one.at} className="mb-2 text-soft">
          {fill(say.askedWithACheckIn, { question: one.question })}
        </p>
      ))}
      {rows.length === 0 ? (
        <Empty title={say.nobodyCame}>{say.itWasForNobody}</Empty>
      ) : (
        <ol aria-label={say.theRegister}>
          {rows.map((row) => (
            <RegisterRow key={row.key} row={row} register={register} zone={zone} />
          ))}
        </ol>
      )}
      <AfterLesson seriesId={register.seriesId} on={register.key} />
      <p className="mt-4 text-sm text-soft">
        {fill(say.whenEachWasIn, { date: dateInWords(keptUntil) })}
      </p>
    </>
  );
}

/** The register of one session, made from who was in when. */
export default function RegisterPage({ me }: { me: Me }) {
  const { seriesId, key = '' } = useParams();
  const asked = api.useRegisterQuery({
    params: { seriesId: Number(seriesId) },
    query: { on: key },
  });
  return (
    <Screen margin={false}>
      <BackLink />
      <Loaded asked={asked} lines={6}>
        {(register) => <Shown register={register} zone={me.school.zone} />}
      </Loaded>
    </Screen>
  );
}
