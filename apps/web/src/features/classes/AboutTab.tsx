import type { Note } from '@glen/core';
import { api } from '../../app/api.js';
import { Margin, Screen, type Around } from '../../ui/Margin.js';
import type { ClassPeriod } from '../school/classPeriod.js';
import { hosts } from '../school/mayEdit.js';
import { useKeeps } from '../school/useKeeps.js';
import { mayMakeClasses } from '../school/mayMakeClasses.js';
import { AtTheEnd } from './AtTheEnd.js';
import { ClassWords } from './ClassWords.js';
import { CopyClass } from './CopyClass.js';
import { Teachers } from './Teachers.js';
import { WhoPresents } from './WhoPresents.js';
import * as say from './words.js';

const LASTING: Note = {
  severity: 'inform',
  title: say.theLinkStays,
  text: say.whateverItIsCalled,
};

interface AboutProps {
  classPeriod: ClassPeriod;
  around: Around;
}

/** What a class period is called, what it flies, and who teaches it. */
export default function AboutTab({ classPeriod, around }: AboutProps) {
  const isOwn = useKeeps(classPeriod.class) && !classPeriod.class.putAwayAt;
  const { data: me } = api.useMeQuery();
  // Whoever covers changes nothing that outlasts it.
  const stays = classPeriod.class.coverFor === null;
  return (
    <Screen around={around} margin={<Margin notes={isOwn ? [LASTING] : []} />}>
      {isOwn && <ClassWords key={classPeriod.class.id} classPeriod={classPeriod} />}
      <Teachers classPeriod={classPeriod} />
      <WhoPresents classPeriod={classPeriod} />
      {stays && me && mayMakeClasses(me) && hosts(classPeriod.class) && (
        <CopyClass of={classPeriod.class} />
      )}
      {stays && isOwn && <AtTheEnd classPeriod={classPeriod} />}
    </Screen>
  );
}
