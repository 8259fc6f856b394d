import { Link, useSearchParams } from 'react-router';
import { dateInWords } from '@glen/core/light';
import type { Answer, Me } from '@glen/contract';
import { api } from '../../app/api.js';
import { wallClock } from '../../app/clock.js';
import { Loaded } from '../../app/Loaded.js';
import { Button } from '../../ui/Button.js';
import { Screen } from '../../ui/Margin.js';
import { PickOne } from '../../ui/PickOne.js';
import { Empty } from '../../ui/States.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { SchoolTabs } from '../school/SchoolTabs.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

type Entry = Answer<'happened'>['entries'][number];

const KINDS = [
  ['all', say.everything],
  ['people', say.people],
  ['signing-in', say.signingIn],
  ['classes', say.classPeriods],
  ['links', say.links],
  ['sessions', say.sessions],
  ['posts', say.posts],
  ['doors', say.doors],
  ['school', say.school],
  ['services', say.services],
] as const;
type Kind = (typeof KINDS)[number][0];

const Changes = ({ changes }: Pick<Entry, 'changes'>) => (
  <details className="text-md">
    <summary className="cursor-pointer text-soft">{say.whatItSaidBefore}</summary>
    <ul className="mt-1 grid gap-1 pl-4">
      {changes.map(({ field, before, after }) => (
        <li key={field} className="[overflow-wrap:anywhere]">
          {field && <span className="text-soft">{field}: </span>}
          {before && <s className="text-soft">{before}</s>} {after}
        </li>
      ))}
    </ul>
  </details>
);

function EntryRow({ entry, zone }: { entry: Entry; zone: string }) {
  const { date, time } = wallClock(entry.at, zone);
  const { by, helper, what, to, changes } = entry;
  return (
    <li className="grid gap-x-5 border-t border-line py-2.5 sm:grid-cols-[9rem_1fr]">
      <span className="text-sm text-soft">
        {dateInWords(date)} <span className="font-mono">{time}</span>
      </span>
      <div className="min-w-0">
        <p className="[overflow-wrap:anywhere]">
          {by ? (
            <Link className="font-semibold hover:underline" to={`/school/people/${by.id}`}>
              {by.name}
            </Link>
          ) : (
            <b>{say.glen}</b>
          )}{' '}
          {helper && <>{fill(say.byOnTheirBehalf, { helper })} </>}
          {what} <b>{to}</b>
        </p>
        {changes.length > 0 && <Changes changes={changes} />}
      </div>
    </li>
  );
}

/** Whose deeds are looked at, where it is one person's. */
function OfWhom({ personId, onAll }: { personId: number; onAll: () => void }) {
  const { data } = api.usePersonQuery({ params: { personId } });
  return (
    <p className="mb-3 [overflow-wrap:anywhere]">
      <Said as={say.onlyWhatDidAndWhat} what={data ? <b>{data.person.name}</b> : say.onePerson} />{' '}
      <Button kind="link" onClick={onAll}>
        {say.showEverybodys}
      </Button>
    </p>
  );
}

function useHappened() {
  const [search, setSearch] = useSearchParams();
  const person = Number(search.get('person')) || undefined;
  const kind = (KINDS.find(([k]) => k === search.get('kind'))?.[0] ?? 'all') satisfies Kind;
  const asked = api.useHappenedInfiniteQuery({
    query: { person, kind: kind === 'all' ? undefined : kind },
  });
  const go = (part: Record<string, string | undefined>): void => {
    const next = new URLSearchParams(search);
    for (const [key, value] of Object.entries(part))
      if (value === undefined) next.delete(key);
      else next.set(key, value);
    setSearch(next, { replace: true });
  };
  return { person, kind, asked, go };
}

/** Who did what to what, the newest first. */
export default function HappenedPage({ me }: { me: Me }) {
  const { person, kind, asked, go } = useHappened();
  return (
    <Screen margin={false}>
      <SchoolTabs />
      <ScreenTitle tab={say.whatHappened} className="mb-4" />
      <div className="mb-3">
        <PickOne
          label={say.aboutWhat}
          value={kind}
          choices={KINDS}
          onChange={(k) => go({ kind: k === 'all' ? undefined : k })}
        />
      </div>
      {person !== undefined && <OfWhom personId={person} onAll={() => go({ person: undefined })} />}
      <Loaded asked={asked} isPart lines={8}>
        {({ pages }) => {
          const entries = pages.flatMap((page) => page.entries);
          return entries.length === 0 ? (
            <Empty title={say.nothingOfThisKindYet}>{say.whateverSomebodyChangesIsWritten}</Empty>
          ) : (
            <ol aria-label={say.whatHappened}>
              {entries.map((entry) => (
                <EntryRow key={entry.id} entry={entry} zone={me.school.zone} />
              ))}
            </ol>
          );
        }}
      </Loaded>
      {asked.hasNextPage && (
        <Button
          className="mt-4"
          disabled={asked.isFetchingNextPage}
          onClick={() => void asked.fetchNextPage()}
        >
          {say.showWhatWasBefore}
        </Button>
      )}
    </Screen>
  );
}
