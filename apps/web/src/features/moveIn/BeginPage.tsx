import { useState } from 'react';
import { Link } from 'react-router';
import { classTitle } from '@glen/core/light';
import type { SchoolCalendar } from '@glen/core';
import type { ClassItem, Me } from '@glen/contract';
import { api } from '../../app/api.js';
import { restartLive } from '../../app/live.js';
import { Loaded } from '../../app/Loaded.js';
import { Button, buttonClass } from '../../ui/Button.js';
import { Pennant } from '../../ui/Pennant.js';
import { CopyButtons } from '../link/LinkLine.js';
import { ClassForm } from './ClassForm.js';
import { MoveInFrame, type Step } from './MoveInFrame.js';
import { YearStrip } from './YearStrip.js';
import type { Meets } from './readMeets.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

interface Made {
  classPeriod: ClassItem;
  meets: Meets | undefined;
}

interface MadeProps extends Made {
  school: SchoolCalendar;
  onAnother: () => void;
}

/** The class period stands, with its link to copy. */
function MadeClass({ classPeriod, meets, school, onAnother }: MadeProps) {
  const { pennant, link } = classPeriod;
  return (
    <>
      <h2 className="text-xl">{classTitle(classPeriod)}</h2>
      {meets && (
        <>
          <p className="mt-1 text-soft">{meets.words}</p>
          <YearStrip school={school} dates={meets.dates} />
        </>
      )}
      <div className="mt-5 flex flex-wrap items-center gap-x-5 gap-y-3 border-t border-dashed border-edge pt-5">
        <Pennant pennant={pennant} size="large" />
        <div className="min-w-0">
          <p className="text-sm text-soft">{say.itsLinkForAsLong}</p>
          <p className="font-mono text-xl font-bold break-all">{`/door/${link.code}`}</p>
        </div>
        <span className="ml-auto flex flex-wrap gap-2.5">
          <CopyButtons link={link} />
        </span>
      </div>
      <p className="mt-5 flex flex-wrap gap-3">
        <Link to="/today" className={buttonClass('act')}>
          {say.doneShowMeToday}
        </Link>
        <Button onClick={onAnother}>{say.anotherClassPeriod}</Button>
        <Link to={`/classes/${classPeriod.id}/roll`} className={buttonClass()}>
          {say.fillItsRoll}
        </Link>
      </p>
    </>
  );
}

const stepsFor = (me: Me, made: Made | undefined): Step[] => [
  { words: me.school.name, state: 'done' },
  { words: say.theYear, state: 'done' },
  { words: fill(say.youAre, { name: me.person!.name }), state: 'done' },
  {
    words: made ? classTitle(made.classPeriod) : say.yourFirstClassPeriod,
    state: made ? 'done' : 'now',
  },
];

/** Page 4 of moving in, and of every class period after: made in a breath, its link on the screen. */
export default function BeginPage({ me }: { me: Me }) {
  const asked = api.useSchoolQuery();
  const { data: classes } = api.useClassesQuery();
  // Once there are class periods, one more is no part of moving in.
  const [isFirst, setIsFirst] = useState<boolean>();
  if (isFirst === undefined && classes) setIsFirst(classes.classes.length === 0);
  const [made, setMade] = useState<Made>();
  const keep = (classPeriod: ClassItem, meets: Meets | undefined): void => {
    // What one hears of is settled as one begins to listen; the new class period is to be heard of too.
    restartLive();
    setMade({ classPeriod, meets });
  };
  const more = {
    title: fill(say.aClassPeriodMore, { school: me.school.name }),
    away: (
      <Link className={`${buttonClass('link')} ml-auto`} to="/classes">
        {say.backToTheClassPeriods}
      </Link>
    ),
  };
  return (
    <MoveInFrame
      tab={isFirst === false ? say.anotherClassPeriodOf : say.yourFirstClassPeriod}
      steps={isFirst === false ? [] : stepsFor(me, made)}
      {...(isFirst !== false ? {} : more)}
    >
      <Loaded asked={asked} isPart>
        {(school) =>
          made ? (
            <MadeClass
              {...made}
              school={school as SchoolCalendar}
              onAnother={() => setMade(undefined)}
            />
          ) : (
            <ClassForm me={me} school={school as SchoolCalendar} onMade={keep} />
          )
        }
      </Loaded>
    </MoveInFrame>
  );
}
