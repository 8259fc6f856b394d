import { api } from '../../app/api.js';
import { Loaded } from '../../app/Loaded.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { Margin, Screen } from '../../ui/Margin.js';
import { ChoicePart } from '../../ui/choices.js';
import { Theirs } from '../../ui/Theirs.js';
import { TextField } from '../../ui/TextField.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { SchoolTabs } from './SchoolTabs.js';
import { useAboutSchool, type AboutSchool } from './useAboutSchool.js';
import { useAlone } from './useAlone.js';
import { CLOCK_HOURS, DATE_ORDERS, ZONES } from './zones.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

const MAKERS = [
  { value: 'teachers', label: say.everyTeacher },
  { value: 'office', label: say.headAndOfficeAlone },
];

const WHAT_IT_IS = [
  { value: 'school', label: say.aSchoolWithSeveralTeachers },
  { value: 'alone', label: say.aClassOfMyOwn },
];

const RESETTERS = [
  { value: 'office', label: say.theOfficeAlone },
  { value: 'hosts', label: say.theOfficeOrAHost },
];

type Editing = ReturnType<typeof useAboutSchool>;

/** Who does what, where there is an office beside the teachers. */
const WhoDoesWhat = ({ watch, setValue }: Editing) => (
  <>
    {' '}
    <Said
      as={say.classPeriodsAreMade}
      makesClass={
        <ChoicePart
          label={say.whoMakesClassPeriods}
          value={watch('classesBy')}
          onChange={(by) =>
            setValue('classesBy', by as AboutSchool['classesBy'], { shouldDirty: true })
          }
          choices={MAKERS}
        />
      }
      givesNew={
        <ChoicePart
          label={say.whoGivesANewWay}
          value={watch('resetsBy')}
          onChange={(by) =>
            setValue('resetsBy', by as AboutSchool['resetsBy'], { shouldDirty: true })
          }
          choices={RESETTERS}
        />
      }
    />
  </>
);

const WAYS = [
  { value: 'mail', label: say.byMailAndInGlen },
  { value: 'glen', label: say.inGlenAlone },
  { value: 'none', label: say.notAtAll },
];

type Told = AboutSchool['told'];

/** What is asked of each kind of thing. */
const HEARD: Record<keyof Told, string> = {
  changes: say.howPeopleHearOfChanges,
  reminders: say.howPeopleAreReminded,
  mornings: say.howPeopleAreTold,
  evenings: say.howPeopleAreRemindedOf,
  posts: say.howPeopleReadWhatTeachers,
  weeks: say.howThoseWhoTeach,
};

/** How people hear of things who have not chosen it themselves. */
function HowPeopleHear({ watch, setValue }: Editing) {
  const told = watch('told');
  const way = (kind: keyof Told) => (
    <ChoicePart
      label={HEARD[kind]}
      value={told[kind]}
      onChange={(next) =>
        setValue('told', { ...told, [kind]: next as Told['posts'] }, { shouldDirty: true })
      }
      choices={WAYS}
    />
  );
  return (
    <>
      {' '}
      <Said
        as={say.whoeverHasNotSaidOtherwise}
        changes={way('changes')}
        reminders={way('reminders')}
        mornings={way('mornings')}
        evenings={way('evenings')}
        posts={way('posts')}
        weeks={way('weeks')}
      />
    </>
  );
}

function Sentence(editing: Editing) {
  const { watch, setValue } = editing;
  return (
    <p className="text-lg leading-sentence">
      <Said
        as={say.itIsTimesAreThose}
        whatIt={
          <ChoicePart
            label={say.whatItIs}
            value={watch('alone') ? 'alone' : 'school'}
            onChange={(v) => setValue('alone', v === 'alone', { shouldDirty: true })}
            choices={WHAT_IT_IS}
          />
        }
        timeZone={
          <ChoicePart
            label={say.timeZone}
            value={watch('zone')}
            onChange={(zone) => setValue('zone', zone, { shouldDirty: true })}
            choices={ZONES}
          />
        }
        orderDates={
          <ChoicePart
            label={say.orderOfDates}
            value={watch('dateOrder')}
            onChange={(v) =>
              setValue('dateOrder', v as AboutSchool['dateOrder'], { shouldDirty: true })
            }
            choices={DATE_ORDERS}
          />
        }
        clock={
          <ChoicePart
            label={say.clock}
            value={watch('hours')}
            onChange={(v) => setValue('hours', v as AboutSchool['hours'], { shouldDirty: true })}
            choices={CLOCK_HOURS}
          />
        }
      />
      {!watch('alone') && <WhoDoesWhat {...editing} />}
      <HowPeopleHear {...editing} />
    </p>
  );
}

const TwoSchools = ({ theirs, ...choose }: Editing) =>
  theirs ? (
    <Theirs {...choose}>
      {fill(say.theirsIsByTheTimes, {
        theirs: theirs.name,
        zone: theirs.zone,
        help: theirs.help || say.nobody,
      })}
    </Theirs>
  ) : null;

function Form({ editing }: { editing: Editing }) {
  const { register, formState, problem, theirs, isDirty, submit } = editing;
  const { errors, isSubmitting } = formState;
  const alone = useAlone();
  return (
    <form className="grid max-w-2xl gap-5" noValidate onSubmit={submit}>
      <TwoSchools {...editing} />
      <TextField
        label={alone ? say.whatDoYourStudentsKnow : say.whatIsTheSchoolCalled}
        maxLength={200}
        error={errors.name?.message}
        {...register('name')}
      />
      <TextField
        label={say.whomDoStudentsAskWhen}
        hint={say.shownAtTheDoor}
        maxLength={300}
        error={errors.help?.message}
        {...register('help')}
      />
      <Sentence {...editing} />
      {problem && !theirs && <FieldError>{problem.title}</FieldError>}
      <p>
        <Button type="submit" kind="act" disabled={!isDirty || isSubmitting}>
          {say.saveTheChanges}
        </Button>
      </p>
    </form>
  );
}

const ToRead = ({ about }: { about: AboutSchool }) => (
  <div className="grid max-w-2xl gap-2 text-lg">
    <p>
      <Said as={say.goesByTheTimesOf} about={about.name} zone={<b>{about.zone}</b>} />
    </p>
    <p>
      {about.help
        ? fill(say.whenSomethingTechnicalFailsStudents, { help: about.help })
        : say.nobodyIsNamedYetWhom}
    </p>
    <p>
      {about.classesBy === 'teachers'
        ? say.everyTeacherMakesClassPeriods
        : say.headAndOfficeMakeClass}
    </p>
    <p>{about.resetsBy === 'office' ? say.aStudentWhoHasLost : say.aStudentWhoHasLostTheir}</p>
  </div>
);

function About({ kept }: { kept: AboutSchool }) {
  const editing = useAboutSchool(kept);
  const alone = useAlone();
  return (
    <Screen margin={<Margin title={say.whatWillHappen} notes={editing.notes} />}>
      <SchoolTabs />
      <ScreenTitle tab={alone ? say.about : say.aboutTheSchool} className="mb-4" />
      {kept.mayEdit ? <Form editing={editing} /> : <ToRead about={kept} />}
    </Screen>
  );
}

/** What the school is called, whom students ask, by which clock it goes: head and office change it, others read it. */
export default function AboutSchoolPage() {
  const asked = api.useAboutSchoolQuery();
  return <Loaded asked={asked}>{(kept) => <About kept={kept} />}</Loaded>;
}
