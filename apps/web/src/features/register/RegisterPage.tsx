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

/** Whether nothing is kept any more of when anybody was in. */
const areSpansGone = ({ rows }: Register): boolean =>
  rows.some((row) => row.minutes > 0) && rows.every((row) => row.spans.length === 0);

/** What is not known of a session, and why. */
function notKnown(register: Register) {
  const { wasOpened, isOver, seesRoom } = register;
  if (!wasOpened && isOver)
    return 'Nobody is counted absent, unless you say of somebody that they were there.';
  if (!seesRoom)
    return 'Its room cannot be looked into: told is who came through the door, not how long they stayed.';
  return areSpansGone(register)
    ? 'When each was in is kept no longer; how the register stood stays.'
    : undefined;
}

function Shown({ register, zone }: { register: Register; zone: string }) {
  const { title, date, time, minutes, isOver, wasOpened, inWords, rows, questions, keptUntil } =
    register;
  const unknown = notKnown(register);
  return (
    <>
      <ScreenTitle tab={`Who came: ${title}`}>Who came</ScreenTitle>
      <p className="text-soft">
        {title}, {dateInWords(date)}, {time}–{addMinutes(time, minutes)} ·{' '}
        <Link
          className="text-bracken-deep underline underline-offset-3"
          to={`/registers?week=${date}`}
        >
          The whole week
        </Link>
      </p>
      <p className="mt-3 mb-2 text-lg font-semibold">
        {inWords}
        {!isOver && wasOpened && ', so far'}
      </p>
      {unknown && <p className="mb-2 max-w-2xl text-soft">{unknown}</p>}
      <Settle register={register} zone={zone} />
      {questions.map((one) => (
        <p key={one.at} className="mb-2 text-soft">
          Asked with a check-in: “{one.question}”
        </p>
      ))}
      {rows.length === 0 ? (
        <Empty title="Nobody came">It was for nobody by name, and nobody came by its link.</Empty>
      ) : (
        <ol aria-label="The register">
          {rows.map((row) => (
            <RegisterRow key={row.key} row={row} register={register} zone={zone} />
          ))}
        </ol>
      )}
      <AfterLesson seriesId={register.seriesId} on={register.key} />
      <p className="mt-4 text-sm text-soft">
        When each was in is kept until {dateInWords(keptUntil)}; from then on only how the register
        stood.
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
