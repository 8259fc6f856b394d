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
import { many } from '../../ui/fill.js';
import * as say from './words.js';

const WHOM = [
  ['all', say.everyone],
  ['teacher', say.teachers],
  ['student', say.students],
  ['office', say.office],
  ['head', say.head],
  ['guest', say.guests],
] as const;

const STANDING = [
  ['here', say.here],
  ['retired', say.retired],
] as const;

const countInWords = (total: number): string => many(say.peopleCounted, total);

function Filters({ list }: { list: PeopleList }) {
  const alone = useAlone();
  return (
    <div className="mb-3 flex flex-wrap items-center gap-x-6 gap-y-3">
      <input
        type="search"
        aria-label={say.findByNameOrAddress}
        placeholder={say.findByNameOrAddress}
        className={`${inputClass} !w-72`}
        value={list.typed}
        onChange={(e) => list.setTyped(e.target.value)}
      />
      {!alone && (
        <PickOne label={say.whomToShow} value={list.whom} choices={WHOM} onChange={list.setWhom} />
      )}
      <PickOne
        label={say.hereOrRetired}
        value={list.standing}
        choices={STANDING}
        onChange={list.setStanding}
      />
    </div>
  );
}

function Nobody({ standing, isNarrowed }: PeopleList) {
  if (isNarrowed) return <Empty title={say.nobodyFits}>{say.tryFewerLettersOrEveryone}</Empty>;
  return standing === 'retired' ? (
    <Empty title={say.nobodyIsRetired}>{say.whoeverLeavesTheSchool}</Empty>
  ) : (
    <Empty title={say.nobodyIsHereYet}>{say.takeSomebodyInOrFill}</Empty>
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
        <ScreenTitle tab={say.people} />
        <p className="text-soft" role="status">
          {list.total === null ? '' : countInWords(list.total)}
        </p>
        {!isTakingIn && (
          <Button kind="act" className="ml-auto" onClick={() => setTakingIn(true)}>
            {say.takeSomebodyIn}
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
