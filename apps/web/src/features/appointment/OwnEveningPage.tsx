import { useParams } from 'react-router';
import { dateInWords, zonePlace } from '@glen/core/light';
import { api } from '../../app/api.js';
import { Loaded } from '../../app/Loaded.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { OwnAppointments } from './OwnAppointments.js';
import { Wishes } from './Wishes.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

/** Somebody else may be faster; the page looks now and then. */
const LOOK_AGAIN_MS = 15000;

/** Where a guest chooses whom they see when, without an account, by an address of their own; and by which they go from door to door. */
export default function OwnEveningPage() {
  const token = useParams().token ?? '';
  const asked = api.useOwnAppointmentsQuery(
    { params: { token } },
    { pollingInterval: LOOK_AGAIN_MS },
  );
  return (
    <main id="main" className="mx-auto min-h-dvh max-w-lg px-5 py-7 print:max-w-none print:p-0">
      <Loaded asked={asked} isPart>
        {(own) => (
          <>
            <ScreenTitle tab={own.title}>{own.title}</ScreenTitle>
            <p className="mt-1">
              <b>{dateInWords(own.date, 'with-year')}</b>,{' '}
              <span className="font-mono">
                {own.time}–{own.until}
              </span>
              , {own.school}
            </p>
            <p className="mt-1 text-soft print:hidden">
              {fill(say.youChooseForOthersSee, {
                email: own.name ? `${own.name}, ${own.email}` : own.email,
                zonePlace: zonePlace(own.zone),
              })}
            </p>
            <OwnAppointments token={token} own={own} />
            <div className="print:hidden">
              {own.state === 'open' ? (
                <Wishes token={token} own={own} />
              ) : (
                <p className="mt-6 text-soft">{say.timesAreNotChosenHere}</p>
              )}
            </div>
          </>
        )}
      </Loaded>
    </main>
  );
}
