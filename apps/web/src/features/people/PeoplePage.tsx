import { useState } from 'react';
import { Loaded } from '../../app/Loaded.js';
import { Button } from '../../ui/Button.js';
import { inputClass } from '../../ui/Field.js';
import { Screen } from '../../ui/Margin.js';
import { PickOne } from '../../ui/PickOne.js';
import { Empty } from '../../ui/States.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { SchoolTabs } from '../school/SchoolTabs.js';
import { useAlone } from '../school/useAlone.js';
import { OrderPart, PeopleTable } from './PeopleTable.js';
import { TakeIn } from './TakeIn.js';
import { usePeople, type PeopleList } from './usePeople.js';

const WHOM = [
  ['all', 'Everyone'],
  ['teacher', 'Teachers'],
  ['student', 'Students'],
  ['office', 'Office'],
  ['head', 'Head'],
  ['guest', 'Guests'],
] as const;

const STANDING = [
  ['here', 'Here'],
  ['retired', 'Retired'],
] as const;

const countInWords = (total: number): string =>
  total === 1 ? '1 person' : `${total.toLocaleString('en')} people`;

function Filters({ list }: { list: PeopleList }) {
  const alone = useAlone();
  return (
    <div className="mb-3 flex flex-wrap items-center gap-x-6 gap-y-3">
      <input
        type="search"
        aria-label="Find by name or address"
        placeholder="Find by name or address"
        className={`${inputClass} !w-72`}
        value={list.typed}
        onChange={(e) => list.setTyped(e.target.value)}
      />
      {!alone && (
        <PickOne label="Whom to show" value={list.whom} choices={WHOM} onChange={list.setWhom} />
      )}
      <PickOne
        label="Here or retired"
        value={list.standing}
        choices={STANDING}
        onChange={list.setStanding}
      />
    </div>
  );
}

function Nobody({ standing, isNarrowed }: PeopleList) {
  if (isNarrowed)
    return <Empty title="Nobody fits">Try fewer letters, or everyone instead of some.</Empty>;
  return standing === 'retired' ? (
    <Empty title="Nobody is retired">
      Whoever leaves the school is retired on their page: they sign in no more, and all they had is
      kept.
    </Empty>
  ) : (
    <Empty title="Nobody is here yet">Take somebody in, or fill a roll.</Empty>
  );
}

/** Everybody of the school: found, filtered, in order; each leads to their page. */
export default function PeoplePage() {
  const list = usePeople();
  const [isTakingIn, setTakingIn] = useState(false);
  return (
    <Screen margin={false}>
      <SchoolTabs />
      <header className="mb-4 flex flex-wrap items-baseline gap-x-4 gap-y-2">
        <ScreenTitle tab="People" />
        <p className="text-soft" role="status">
          {list.total === null ? '' : countInWords(list.total)}
        </p>
        {!isTakingIn && (
          <Button kind="act" className="ml-auto" onClick={() => setTakingIn(true)}>
            Take somebody in
          </Button>
        )}
      </header>
      {isTakingIn && <TakeIn onClose={() => setTakingIn(false)} />}
      <Filters list={list} />
      <Loaded asked={list.asked} isPart lines={8}>
        {() =>
          list.people.length === 0 ? (
            <Nobody {...list} />
          ) : (
            <>
              <OrderPart {...list} />
              <PeopleTable key={`${list.sort} ${list.whom} ${list.standing}`} {...list} />
            </>
          )
        }
      </Loaded>
    </Screen>
  );
}
