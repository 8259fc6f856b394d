import { api } from '../../app/api.js';
import { ChoicePart } from '../../ui/choices.js';

const NONE = 'none';

/** How long before a session calendars may remind; ten minutes and an hour are common. */
const ALARMS = [
  { value: '0', label: 'as it begins' },
  { value: '5', label: '5 minutes before' },
  { value: '10', label: '10 minutes before' },
  { value: '30', label: '30 minutes before' },
  { value: '60', label: 'an hour before' },
  { value: '1440', label: 'a day before' },
  { value: NONE, label: 'not at all' },
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
      Calendars remind{' '}
      <ChoicePart
        label={`When calendars remind: ${title}`}
        marked={false}
        value={minutes === null ? NONE : String(minutes)}
        choices={ALARMS}
        onChange={choose}
      />
      .
    </p>
  );
}
