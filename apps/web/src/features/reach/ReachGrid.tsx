import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { VERDICTS, markAt, type Mark, type Person, type Place, type Reach } from './verdicts.js';
import { many } from '../../ui/fill.js';
import * as say from './words.js';

const STATE_WORDS: Record<Place['state'], string> = say.stateWords;

/** In pixels: with these forty students fit beside the names of the places. */
const NAMES = 224;
const COLUMN = 17;

function MarkCell({
  shown: { mark, dress, words },
  className,
}: {
  shown: Mark;
  className: string;
}) {
  return (
    <td className={`p-0 text-center ${className} ${dress}`}>
      <span aria-hidden="true">{mark}</span>
      <span className="sr-only">{words}</span>
    </td>
  );
}

/** The students' names, on end so that each column is narrow. */
const NamesRow = ({ people, places, link }: Reach) => (
  <tr>
    <th
      scope="col"
      className="sticky left-0 z-10 bg-paper pr-2 pb-1 text-left align-bottom font-semibold"
    >
      {many(say.peopleAndPlaces, places.length, { people: people.length })}
    </th>
    {people.map((p) => (
      <th key={p.id} scope="col" className="h-32 p-0 align-bottom font-normal">
        <Link
          className="mx-auto block max-h-32 rotate-180 truncate text-left hover:underline"
          style={{ writingMode: 'vertical-rl' }}
          to={`/posts/student-sees?class=${link.classId}&person=${p.id}`}
        >
          {p.name}
        </Link>
      </th>
    ))}
  </tr>
);

const InAllRow = ({ people }: { people: Person[] }) => (
  <tr>
    <th
      scope="row"
      className="sticky left-0 z-10 border-y border-edge bg-paper py-0.5 pr-2 text-left font-semibold"
    >
      {say.inAll}
    </th>
    {people.map((p) => (
      <MarkCell
        key={p.id}
        shown={VERDICTS[p.verdict]}
        className="border-y border-edge bg-shade/60 leading-6"
      />
    ))}
  </tr>
);

/** Leads to the place itself where it has an address. */
function Where({ address, children }: { address: string | null; children: ReactNode }) {
  if (address === null) return <span>{children}</span>;
  return (
    <span>
      <a className="hover:underline" href={address} target="_blank" rel="noreferrer">
        {children}
      </a>
    </span>
  );
}

interface PlaceRowProps {
  place: Place;
  people: Person[];
  /** Whose place it is is said only where it is somebody else's. */
  classTitle: string;
}

function PlaceRow({ place, people, classTitle }: PlaceRowProps) {
  const { where, title, address, state, ours } = place;
  return (
    <tr className="group">
      <th
        scope="row"
        className="sticky left-0 z-10 truncate border-b border-line bg-paper py-0.5 pr-2 text-left font-normal group-hover:bg-shade"
        title={`${title} · ${where}`}
      >
        <Where address={address}>{where.replace(`, ${classTitle}`, '')}</Where>
        <span className="text-xs text-soft">
          {' '}
          {[STATE_WORDS[state], title || say.theLink, !ours && say.notPutThereByGlen]
            .filter(Boolean)
            .join(' · ')}
        </span>
      </th>
      {people.map((p) => (
        <MarkCell
          key={p.id}
          shown={markAt(p, place)}
          className="border-b border-line group-hover:bg-shade"
        />
      ))}
    </tr>
  );
}

/** Students across, places down: forty by twelve fit beside the margin. */
export function ReachGrid({ reach }: { reach: Reach }) {
  const { people, places, link } = reach;
  return (
    <div
      className="relative overflow-x-auto pb-1"
      tabIndex={0}
      role="group"
      aria-label={say.studentsAndPlaces}
    >
      <table
        className="table-fixed border-separate border-spacing-0 text-fine"
        style={{ width: NAMES + people.length * COLUMN }}
      >
        <caption className="sr-only">{say.whoSeesWhichLinkA}</caption>
        <colgroup>
          <col style={{ width: NAMES }} />
          {people.map((p) => (
            <col key={p.id} style={{ width: COLUMN }} />
          ))}
        </colgroup>
        <thead>
          <NamesRow {...reach} />
        </thead>
        <tbody>
          <InAllRow people={people} />
          {places.map((place) => (
            <PlaceRow key={place.id} place={place} people={people} classTitle={link.classTitle} />
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** What the marks mean, those that occur. */
export function Legend({ people }: { people: Person[] }) {
  const count = (verdict: Person['verdict']): number =>
    people.filter((p) => p.verdict === verdict).length;
  const there = (Object.keys(VERDICTS) as Person['verdict'][]).filter(
    (v) => VERDICTS[v].mark && count(v) > 0,
  );
  return (
    <ul className="mt-3 flex flex-wrap gap-x-5 gap-y-1 text-md">
      {there.map((v) => (
        <li key={v}>
          <span aria-hidden="true" className={`${VERDICTS[v].dress} mr-1.5`}>
            {VERDICTS[v].mark}
          </span>
          {VERDICTS[v].words}: <b className="font-mono">{count(v)}</b>
        </li>
      ))}
    </ul>
  );
}
