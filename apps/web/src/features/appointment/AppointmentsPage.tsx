import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { addDays, dateInWords } from '@glen/core';
import type { Answer } from '@glen/contract';
import { api } from '../../app/api.js';
import { useMinute, wallClock } from '../../app/clock.js';
import { Loaded } from '../../app/Loaded.js';
import { Button, buttonClass } from '../../ui/Button.js';
import { Chip } from '../../ui/Chip.js';
import { Screen } from '../../ui/Margin.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { Empty } from '../../ui/States.js';
import { PlanEvening } from './PlanEvening.js';
import { fill, many } from '../../ui/fill.js';
import * as say from './words.js';

type Evenings = Answer<'appointments'>;

function OneEvening({ evening }: { evening: Evenings['evenings'][number] }) {
  const { id, title, date, time, until, state, hosts, guests, slots, taken } = evening;
  return (
    <li className="border-t border-line py-3">
      <p className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <Link className={buttonClass('link')} to={`/appointments/${id}`}>
          {title}
        </Link>
        <span>
          {dateInWords(date)},{' '}
          <span className="font-mono">
            {time}–{until}
          </span>
        </span>
        {state === 'closed' && <Chip>{say.closed}</Chip>}
      </p>
      <p className="text-md text-soft">
        {fill(say.inNumbers, {
          teachers: many(say.teachers, hosts),
          guests: many(say.guestsCounted, guests),
          taken,
          times: many(say.times, slots),
        })}
      </p>
    </li>
  );
}

/** A week from today. */
const DAYS_AHEAD = 7;

function Appointments({ all, zone }: { all: Evenings; zone: string }) {
  const { evenings, teachers } = all;
  const today = wallClock(useMinute(), zone).date;
  const navigate = useNavigate();
  const [isPlanning, setPlanning] = useState(false);
  if (isPlanning)
    return (
      <PlanEvening
        teachers={teachers}
        first={addDays(today, DAYS_AHEAD)}
        onDone={(id) => void navigate(`/appointments/${id}`)}
        onBack={() => setPlanning(false)}
      />
    );
  const begin = teachers.length > 0 && (
    <Button kind="act" onClick={() => setPlanning(true)}>
      {say.planAnEvening}
    </Button>
  );
  if (evenings.length === 0)
    return (
      <Empty title={say.noEveningByAppointment}>
        <p>{say.familiesSeeSeveralTeachers}</p>
        <p className="mt-3">{begin}</p>
      </Empty>
    );
  return (
    <>
      <ul className="max-w-3xl">
        {evenings.map((evening) => (
          <OneEvening key={evening.id} evening={evening} />
        ))}
      </ul>
      <p className="mt-5">{begin}</p>
    </>
  );
}

/** Evenings at which guests see several teachers, each by appointment. */
export default function AppointmentsPage({ zone }: { zone: string }) {
  const asked = api.useAppointmentsQuery();
  return (
    <Screen margin={false}>
      <ScreenTitle tab={say.appointments}>{say.eveningsByAppointment}</ScreenTitle>
      <Loaded asked={asked} isPart>
        {(all) => <Appointments all={all} zone={zone} />}
      </Loaded>
    </Screen>
  );
}
