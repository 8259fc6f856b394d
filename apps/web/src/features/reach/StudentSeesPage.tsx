import { Link } from 'react-router';
import { notesForReach } from '@glen/core';
import { classTitle } from '@glen/core/light';
import type { Answer } from '@glen/contract';
import { Loaded } from '../../app/Loaded.js';
import { buttonClass } from '../../ui/Button.js';
import { Margin, Screen } from '../../ui/Margin.js';
import { ChoicePart } from '../../ui/choices.js';
import { Empty } from '../../ui/States.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { MomentPart } from './MomentPart.js';
import { SiteTrouble } from './SiteTrouble.js';
import { StudentsBoard } from './StudentsBoard.js';
import { useStudentSees } from './useStudentSees.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

type Looking = ReturnType<typeof useStudentSees>;

const NoStudents = () => (
  <Screen>
    <Empty title={say.noStudentsYet}>{say.onceOneOfYourClass}</Empty>
  </Screen>
);

/** What needs thought about this student alone; it is mended where all of them are seen. */
function StudentMargin({ reach, personId, classPeriod }: Looking) {
  if (!reach) return null;
  const own = { ...reach, people: reach.people.filter((p) => p.id === personId) };
  return (
    <Margin notes={notesForReach(own).map(({ actions: _, ...note }) => note)}>
      <p className="mt-3">
        {classPeriod && (
          <Link
            className={buttonClass('link')}
            to={`/posts/reach?link=${classPeriod.class.link.id}`}
          >
            {say.whoElseSeesIt}
          </Link>
        )}
      </p>
    </Margin>
  );
}

function Sentence({ classes = [], classId, classPeriod, personId, at, go, ...rest }: Looking) {
  return (
    <p className="mt-1 mb-4 text-lg leading-sentence">
      {classPeriod && personId !== undefined && (
        <ChoicePart
          label={say.student}
          value={String(personId)}
          onChange={(person) => go({ person })}
          choices={classPeriod.roll.map((p) => ({ value: String(p.id), label: p.name }))}
        />
      )}{' '}
      <Said
        as={say.inClassIdSeesMomentPart}
        classId={
          classId !== undefined && (
            <ChoicePart
              label={say.classPeriod}
              value={String(classId)}
              onChange={(to) => go({ class: to, person: '' })}
              choices={classes.map((c) => ({ value: String(c.id), label: classTitle(c) }))}
            />
          )
        }
        momentPart={
          <MomentPart
            at={at}
            next={rest.reach?.next ?? null}
            shown={rest.asked.data?.at}
            onChange={(to) => go({ at: to })}
          />
        }
      />
    </p>
  );
}

interface ElsewhereProps {
  seen: Answer<'studentSees'>;
  classId: number | undefined;
}

/** The same with one's own eyes: the course site, and the door. */
const Elsewhere = ({ seen: { siteAddress, person }, classId }: ElsewhereProps) => (
  <p className="mb-3 flex flex-wrap gap-3">
    {siteAddress && (
      <a className={buttonClass()} href={siteAddress} target="_blank" rel="noreferrer">
        {say.theCourseSiteItself}
      </a>
    )}
    {classId !== undefined && (
      <Link className={buttonClass()} to={`/classes/${classId}/entry?as=${person.id}`}>
        {fill(say.tryTheDoorAs, { person: person.name })}
      </Link>
    )}
  </p>
);

/** What one student sees of a class period on the course site, now or at a time to come. */
export default function StudentSeesPage() {
  const looking = useStudentSees();
  const { classes, classPeriod, asked, reach } = looking;
  if (classes?.length === 0) return <NoStudents />;
  return (
    <Screen margin={reach && <StudentMargin {...looking} />}>
      <ScreenTitle tab={say.whatAStudentSees} />
      <Sentence {...looking} />
      <Loaded asked={asked} isPart>
        {(seen) => (
          <>
            <Elsewhere seen={seen} classId={classPeriod?.class.id} />
            <SiteTrouble trouble={seen.trouble} />
            <StudentsBoard seen={seen} />
          </>
        )}
      </Loaded>
    </Screen>
  );
}
