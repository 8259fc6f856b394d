import { api } from '../../app/api.js';
import { useMinute } from '../../app/clock.js';
import { ProgrammeList } from './ProgrammeList.js';

/** What comes after what in the session at a door; nothing where nothing was said. */
export function DoorProgramme({ code }: { code: string }) {
  const now = useMinute();
  const { data } = api.useDoorProgrammeQuery({ params: { code } });
  if (!data?.end || data.items.length === 0) return null;
  return (
    <section className="mt-5" aria-label="Programme">
      <h2 className="mb-1 text-lg">Programme</h2>
      <ProgrammeList items={data.items} end={data.end} now={now} />
    </section>
  );
}
