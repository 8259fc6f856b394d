import { useState } from 'react';
import { classTitle, type SchoolCalendar } from '@glen/core';
import type { Answer, ClassItem, Me } from '@glen/contract';
import { api } from '../../app/api.js';
import { useMinute, wallClock } from '../../app/clock.js';
import { Loaded } from '../../app/Loaded.js';
import { FieldError } from '../../ui/Field.js';
import { ChoicePart } from '../../ui/choices.js';
import { Screen } from '../../ui/Margin.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { typedPart } from '../../ui/SentencePart.js';
import { Empty, Loading } from '../../ui/States.js';
import { OfferAddresses, Offered } from '../poll/Offered.js';
import { OfferTimes } from '../poll/OfferTimes.js';
import { mayEdit } from '../school/mayEdit.js';
import { BusyStrip, type FreeTime } from './BusyStrip.js';
import { FreeSentence } from './FreeSentence.js';
import { TimesList } from './TimesList.js';
import { useFree, type Free } from './useFree.js';
import { useSchedule, type Scheduling } from './useSchedule.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

/** What pressing a time schedules. */
function AsWhat({ scheduling, classes }: { scheduling: Scheduling; classes: ClassItem[] }) {
  const { title, setTitle, classId, setClassId, problem } = scheduling;
  return (
    <>
      <p className="mt-4 text-lg leading-sentence">
        <Said
          as={say.onePressSchedules}
          called={
            <input
              aria-label={say.whatItIsCalled}
              className={`${typedPart} w-72 max-w-full`}
              maxLength={200}
              value={title}
              onChange={(e) => setTitle(e.target.value)}
            />
          }
          hostedAs={
            <ChoicePart
              label={say.hostedAsWhichClassPeriod}
              value={String(classId)}
              choices={classes.map((one) => ({ value: String(one.id), label: classTitle(one) }))}
              onChange={(id) => setClassId(Number(id))}
            />
          }
        />
      </p>
      {problem && <FieldError>{problem.errors?.[0]?.message ?? problem.title}</FieldError>}
    </>
  );
}

/** Nobody is free: what comes nearest, and who is in the way. */
const NoTime = ({ hasMisses }: { hasMisses: boolean }) => (
  <p className="mt-4 rounded-small bg-gorse-tint p-3 text-gorse-deep">
    <b>{say.noTimeAtWhichAll}</b> {hasMisses ? say.theseComeNearestWhoever : say.thereIsNoRoom}
  </p>
);

interface OfferingProps {
  free: Free;
  scheduling: Scheduling;
  ticked: FreeTime[];
  onDone: (added: Answer<'addPoll'>) => void;
}

/** Guests are asked which of the ticked times suit them. */
function Offering({ free, scheduling, ticked, onDone }: OfferingProps) {
  if (ticked.length === 0) return <p className="mt-3 text-soft">{say.tickSomeToHaveGuests}</p>;
  const offering = {
    classId: scheduling.classId,
    title: scheduling.title,
    minutes: Number(free.wanted.minutes),
    personIds: free.asked.must,
    times: ticked,
  };
  return <OfferTimes offering={offering} onDone={onDone} />;
}

interface FoundTimesProps {
  free: Free;
  found: Answer<'freeTimes'>;
  scheduling: Scheduling;
  classes: ClassItem[];
  zone: string;
}

function FoundTimes({ free, found, scheduling, classes, zone }: FoundTimesProps) {
  const [looked, setLooked] = useState<FreeTime>();
  const { ticked, toggle, added, setAdded } = useTicked();
  const times = found.times.length > 0 ? found.times : found.misses;
  const chosen = times.find(({ start }) => start === looked?.start) ?? times[0];
  return (
    <div className={free.isFetching ? 'opacity-60' : ''} aria-busy={free.isFetching}>
      {found.times.length === 0 && <NoTime hasMisses={times.length > 0} />}
      {chosen && (
        <>
          <BusyStrip found={found} chosen={chosen} zone={zone} />
          {classes.length > 0 && <AsWhat scheduling={scheduling} classes={classes} />}
          <TimesList
            times={times}
            people={found.people}
            chosen={chosen}
            isSending={scheduling.isSending || classes.length === 0}
            ticked={ticked.map(({ start }) => start)}
            onTick={toggle}
            onChoose={setLooked}
            onSchedule={(time) => void scheduling.schedule(time)}
          />
          {classes.length > 0 && <Offering {...{ free, scheduling, ticked }} onDone={setAdded} />}
        </>
      )}
      {added && <OfferAddresses added={added} />}
    </div>
  );
}

/** Times that are ticked to be offered, and what became of the last that were. */
function useTicked() {
  const [ticked, setTicked] = useState<FreeTime[]>([]);
  const [added, setAdded] = useState<Answer<'addPoll'>>();
  const isSame = (time: FreeTime) => (one: FreeTime) => one.start === time.start;
  return {
    ticked,
    toggle: (time: FreeTime): void =>
      setTicked(
        ticked.some(isSame(time))
          ? ticked.filter((one) => one.start !== time.start)
          : [...ticked, time],
      ),
    added,
    setAdded: (answer: Answer<'addPoll'>): void => {
      setTicked([]);
      setAdded(answer);
    },
  };
}

interface KnownProps {
  me: Me;
  school: SchoolCalendar;
  classes: ClassItem[];
}

function FreeTimes({ me, school, classes }: KnownProps) {
  const today = wallClock(useMinute(), school.zone).date;
  const free = useFree(me, school, today);
  const hosted = classes.filter(mayEdit);
  const scheduling = useSchedule(free.wanted, me.person!.id, hosted);
  return (
    <Screen margin={false}>
      <ScreenTitle tab={say.freeTimes} />
      <p className="mt-1 mb-4 text-soft">{say.busyIsWhenSomebodyHas}</p>
      <FreeSentence free={free} />
      {!free.found && !free.problem && <Loading />}
      {free.found && !free.problem && (
        <FoundTimes
          free={free}
          found={free.found}
          scheduling={scheduling}
          classes={hosted}
          zone={school.zone}
        />
      )}
      <Offered />
      {free.problem && !free.found && (
        <Empty title={say.sayItAnotherWay}>{free.problem.title}</Empty>
      )}
    </Screen>
  );
}

/** Times at which people are free, and a session at one of them. */
export default function FreePage({ me }: { me: Me }) {
  const { data: school } = api.useSchoolQuery();
  const asked = api.useClassesQuery();
  return (
    <Loaded asked={asked}>
      {({ classes }) =>
        school ? (
          <FreeTimes me={me} school={school as SchoolCalendar} classes={classes} />
        ) : (
          <Screen margin={false}>
            <Loading />
          </Screen>
        )
      }
    </Loaded>
  );
}
