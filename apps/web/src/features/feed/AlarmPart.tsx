import { api } from '../../app/api.js';
import { ChoicePart } from '../../ui/choices.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

const NONE = 'none';

/** How long before a session calendars may remind; ten minutes and an hour are common. */
const ALARMS = [
  { value: '0', label: say.asItBegins },
  { value: '5', label: say.fiveMinutesBefore },
  { value: '10', label: say.tenMinutesBefore },
  { value: '30', label: say.thirtyMinutesBefore },
  { value: '60', label: say.anHourBefore },
  { value: '1440', label: say.aDayBefore },
  { value: NONE, label: say.notAtAll },
];

interface AlarmProps {
  title: string;
  classId: number | undefined;
  minutes: number | null;
}

/** When a calendar that reads the address reminds; it learns of a change the next time it asks. */
export function AlarmPart({ title, classId, minutes }: AlarmProps) {
  const [set] = api.useSetFeedAlarmMutation();
  const choose = (value: string): void => {
    const chosen = value === NONE ? null : Number(value);
    void set({ body: { ...(classId === undefined ? {} : { classId }), minutes: chosen } });
  };
  return (
    <p className="mt-1.5">
      <Said
        as={say.calendarsRemind}
        none={
          <ChoicePart
            label={fill(say.whenCalendarsRemind, { title })}
            marked={false}
            value={minutes === null ? NONE : String(minutes)}
            choices={ALARMS}
            onChange={choose}
          />
        }
      />
    </p>
  );
}
