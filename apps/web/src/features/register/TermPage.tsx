import { useParams } from 'react-router';
import type { Me } from '@glen/contract';
import { api } from '../../app/api.js';
import { Loaded } from '../../app/Loaded.js';
import { useMinute, wallClock } from '../../app/clock.js';
import { BackLink } from '../../ui/BackLink.js';
import { Screen } from '../../ui/Margin.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { Away } from './Away.js';
import { TermShown } from './TermShown.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

/** How one student stood this term, and when they are known to be away. */
export default function TermPage({ me }: { me: Me }) {
  const personId = Number(useParams().personId);
  const today = wallClock(useMinute(), me.school.zone).date;
  const asked = api.usePersonTermQuery({ params: { personId } });
  return (
    <Screen margin={false}>
      <BackLink />
      <Loaded asked={asked} lines={6}>
        {(term) => (
          <>
            <ScreenTitle tab={fill(say.term, { term: term.name })}>{term.name}</ScreenTitle>
            <TermShown of={term} />
            <Away
              personId={personId}
              me={me}
              today={today}
              classIds={term.classes.map(({ id }) => id)}
            />
          </>
        )}
      </Loaded>
    </Screen>
  );
}
