import { api } from '../../app/api.js';
import { useMinute } from '../../app/clock.js';
import { ProgrammeList } from './ProgrammeList.js';
import * as say from './words.js';

/** What its hosts say at a door, and what comes after what there; nothing where nothing was said. */
export function DoorProgramme({ code }: { code: string }) {
  const now = useMinute();
  const { data } = api.useDoorProgrammeQuery({ params: { code } });
  if (!data?.end) return null;
  const { word, items, end } = data;
  return (
    <>
      {word && (
        <p className="mt-5 rounded-big border border-line bg-sheet p-4 break-words">{word}</p>
      )}
      {items.length > 0 && (
        <section className="mt-5" aria-label={say.programme}>
          <h2 className="mb-1 text-lg">{say.programme}</h2>
          <ProgrammeList items={items} end={end} now={now} />
        </section>
      )}
    </>
  );
}
