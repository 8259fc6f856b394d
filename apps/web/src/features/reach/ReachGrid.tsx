import { Link } from 'react-router';
import type { Answer } from '@glen/contract';

type Reach = Answer<'reach'>;
type Person = Reach['people'][number];
type Place = Reach['places'][number];

/** How a verdict is drawn and said: told apart by shape, not by colour alone. */
const VERDICTS: Record<Person['verdict'], { mark: string; dress: string; said: string }> = {
  clear: { mark: '●', dress: 'text-moss-deep', said: 'exactly one right link' },
  none: { mark: '○', dress: 'text-berry-deep', said: 'no link' },
  stale: { mark: '✕', dress: 'text-berry-deep', said: 'an old link' },
  several: { mark: '◆', dress: 'text-gorse-deep', said: 'two doors for the same' },
  unproven: { mark: '◐', dress: 'text-gorse-deep', said: 'by hand only' },
  leak: { mark: '!', dress: 'text-berry-deep font-bold', said: 'not for them' },
  'not-for-them': { mark: '', dress: '', said: 'not for them, and they see nothing' },
};

function cellOf(person: Person, place: Place): { mark: string; dress: string; said: string } {
  if (!person.places.includes(place.id)) return { mark: '', dress: '', said: 'sees nothing here' };
  if (person.verdict === 'leak' && place.state === 'right') return VERDICTS.leak;
  if (place.state === 'old') return { ...VERDICTS.stale, said: 'an old link here' };
  if (place.state === 'other') return { ...VERDICTS.several, said: 'another door here' };
  return place.proven
    ? { ...VERDICTS.clear, said: 'the right link here' }
    : { ...VERDICTS.unproven, said: 'the right link here, by hand' };
}

const STATE_WORDS: Record<Place['state'], string> = {
  right: 'right',
  old: 'old link',
  other: 'other door',
};

/** In pixels: with these forty students fit beside the names of the places. */
const NAMES = 224;
const COLUMN = 17;

/** Students across, places down: forty by twelve fit beside the margin. Names stand on end so that each column is narrow. */
export function ReachGrid({ reach }: { reach: Reach }) {
  const { people, places, link } = reach;
  /** Whose it is is said only where it is somebody else's. */
  const whereIn = (place: Place): string => place.where.replace(`, ${link.classTitle}`, '');
  return (
    <div
      className="overflow-x-auto pb-1"
      tabIndex={0}
      role="group"
      aria-label="Students and places"
    >
      <table
        className="table-fixed border-separate border-spacing-0 text-[13px]"
        style={{ width: NAMES + people.length * COLUMN }}
      >
        <caption className="sr-only">
          Who sees which link: a column for each student, a row for each place
        </caption>
        <colgroup>
          <col style={{ width: NAMES }} />
          {people.map((p) => (
            <col key={p.id} style={{ width: COLUMN }} />
          ))}
        </colgroup>
        <thead>
          <tr>
            <th
              scope="col"
              className="sticky left-0 z-10 bg-paper pr-2 pb-1 text-left align-bottom font-semibold"
            >
              {people.length} people, {places.length} {places.length === 1 ? 'place' : 'places'}
            </th>
            {people.map((p) => (
              <th key={p.id} scope="col" className="h-32 p-0 align-bottom font-normal">
                <Link
                  className="mx-auto block max-h-32 rotate-180 truncate text-left hover:underline"
                  style={{ writingMode: 'vertical-rl' }}
                  to={`/posts/see-as?class=${link.classId}&person=${p.id}`}
                >
                  {p.name}
                </Link>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          <tr>
            <th
              scope="row"
              className="sticky left-0 z-10 border-y border-edge bg-paper py-0.5 pr-2 text-left font-semibold"
            >
              In all
            </th>
            {people.map((p) => {
              const v = VERDICTS[p.verdict];
              return (
                <td
                  key={p.id}
                  className={`border-y border-edge bg-shade/60 p-0 text-center leading-6 ${v.dress}`}
                >
                  <span aria-hidden="true">{v.mark}</span>
                  <span className="sr-only">{v.said}</span>
                </td>
              );
            })}
          </tr>
          {places.map((place) => (
            <tr key={place.id} className="group">
              <th
                scope="row"
                className="sticky left-0 z-10 truncate border-b border-line bg-paper py-0.5 pr-2 text-left font-normal group-hover:bg-shade"
                title={`${place.title} · ${place.where}`}
              >
                <span>
                  {place.address === null ? (
                    whereIn(place)
                  ) : (
                    <a
                      className="hover:underline"
                      href={place.address}
                      target="_blank"
                      rel="noreferrer"
                    >
                      {whereIn(place)}
                    </a>
                  )}
                </span>
                <span className="text-xs text-soft">
                  {' '}
                  {place.state === 'right' ? '' : `${STATE_WORDS[place.state]} · `}
                  {place.title || 'the link'}
                  {place.ours ? '' : ' · not put there by Glen'}
                </span>
              </th>
              {people.map((p) => {
                const c = cellOf(p, place);
                return (
                  <td
                    key={p.id}
                    className={`border-b border-line p-0 text-center group-hover:bg-shade ${c.dress}`}
                  >
                    <span aria-hidden="true">{c.mark}</span>
                    <span className="sr-only">{c.said}</span>
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** What the marks mean, those that occur. */
export function Legend({ people }: { people: Person[] }) {
  const there = (Object.keys(VERDICTS) as Person['verdict'][]).filter(
    (v) => VERDICTS[v].mark && people.some((p) => p.verdict === v),
  );
  return (
    <ul className="mt-3 flex flex-wrap gap-x-5 gap-y-1 text-[15px]">
      {there.map((v) => (
        <li key={v}>
          <span aria-hidden="true" className={`${VERDICTS[v].dress} mr-1.5`}>
            {VERDICTS[v].mark}
          </span>
          {VERDICTS[v].said}:{' '}
          <b className="font-mono">{people.filter((p) => p.verdict === v).length}</b>
        </li>
      ))}
    </ul>
  );
}
