import { Fragment } from 'react';
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

const MAKERS = [
  { value: 'teachers', label: 'every teacher' },
  { value: 'office', label: 'head and office alone' },
];

const WHAT_IT_IS = [
  { value: 'school', label: 'a school with several teachers' },
  { value: 'alone', label: 'a class of my own: I teach alone' },
];

const RESETTERS = [
  { value: 'office', label: 'the office alone' },
  { value: 'hosts', label: 'the office or a host of theirs' },
];

type Editing = ReturnType<typeof useAboutSchool>;

/** Who does what, where there is an office beside the teachers. */
const WhoDoesWhat = ({ watch, setValue }: Editing) => (
  <>
    {' '}
    Class periods are made, and new teachers taken in, by{' '}
    <ChoicePart
      label="Who makes class periods"
      value={watch('classesBy')}
      onChange={(by) =>
        setValue('classesBy', by as AboutSchool['classesBy'], { shouldDirty: true })
      }
      choices={MAKERS}
    />
    . A student who has lost their password gets a new way in from{' '}
    <ChoicePart
      label="Who gives a new way in"
      value={watch('resetsBy')}
      onChange={(by) => setValue('resetsBy', by as AboutSchool['resetsBy'], { shouldDirty: true })}
      choices={RESETTERS}
    />
    .
  </>
);

const WAYS = [
  { value: 'mail', label: 'by mail, and in Glen' },
  { value: 'glen', label: 'in Glen alone' },
  { value: 'none', label: 'not at all' },
];

type Told = AboutSchool['told'];

/** Each kind of thing, in a sentence about whoever has not said otherwise. */
const HEARD: { kind: keyof Told; says: string; label: string }[] = [
  { kind: 'changes', says: 'hears of changes', label: 'How people hear of changes' },
  {
    kind: 'reminders',
    says: ', is reminded an hour before a session',
    label: 'How people are reminded',
  },
  {
    kind: 'mornings',
    says: ', told of their day that morning',
    label: 'How people are told of their day',
  },
  {
    kind: 'evenings',
    says: ', reminded of an evening a week before',
    label: 'How people are reminded of an evening',
  },
  {
    kind: 'posts',
    says: ', reads what teachers write to them',
    label: 'How people read what teachers write',
  },
  {
    kind: 'weeks',
    says: ', and, if they teach, is told who came in the week',
    label: 'How those who teach are told who came in the week',
  },
];

/** How people hear of things who have not chosen it themselves. */
function HowPeopleHear({ watch, setValue }: Editing) {
  const told = watch('told');
  return (
    <>
      {' '}
      Whoever has not said otherwise{' '}
      {HEARD.map(({ kind, says, label }) => (
        <Fragment key={kind}>
          {says}{' '}
          <ChoicePart
            label={label}
            value={told[kind]}
            onChange={(way) =>
              setValue('told', { ...told, [kind]: way as Told['posts'] }, { shouldDirty: true })
            }
            choices={WAYS}
          />
        </Fragment>
      ))}
      .
    </>
  );
}

function Sentence(editing: Editing) {
  const { watch, setValue } = editing;
  return (
    <p className="text-lg leading-sentence">
      It is{' '}
      <ChoicePart
        label="What it is"
        value={watch('alone') ? 'alone' : 'school'}
        onChange={(v) => setValue('alone', v === 'alone', { shouldDirty: true })}
        choices={WHAT_IT_IS}
      />
      . Times are those of{' '}
      <ChoicePart
        label="Time zone"
        value={watch('zone')}
        onChange={(zone) => setValue('zone', zone, { shouldDirty: true })}
        choices={ZONES}
      />
      , its dates are written{' '}
      <ChoicePart
        label="Order of dates"
        value={watch('dateOrder')}
        onChange={(v) =>
          setValue('dateOrder', v as AboutSchool['dateOrder'], { shouldDirty: true })
        }
        choices={DATE_ORDERS}
      />{' '}
      and its hours{' '}
      <ChoicePart
        label="Clock"
        value={watch('hours')}
        onChange={(v) => setValue('hours', v as AboutSchool['hours'], { shouldDirty: true })}
        choices={CLOCK_HOURS}
      />
      .{!watch('alone') && <WhoDoesWhat {...editing} />}
      <HowPeopleHear {...editing} />
    </p>
  );
}

const TwoSchools = ({ theirs, ...choose }: Editing) =>
  theirs ? (
    <Theirs {...choose}>
      Theirs is “{theirs.name}”, by the times of {theirs.zone}; asked for help:{' '}
      {theirs.help || 'nobody'}.
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
        label={alone ? 'What do your students know it as?' : 'What is the school called?'}
        maxLength={200}
        error={errors.name?.message}
        {...register('name')}
      />
      <TextField
        label="Whom do students ask when something technical fails?"
        hint="Shown at the door, so that they do not ask the teacher who is teaching."
        maxLength={300}
        error={errors.help?.message}
        {...register('help')}
      />
      <Sentence {...editing} />
      {problem && !theirs && <FieldError>{problem.title}</FieldError>}
      <p>
        <Button type="submit" kind="act" disabled={!isDirty || isSubmitting}>
          Save it
        </Button>
      </p>
    </form>
  );
}

const ToRead = ({ about }: { about: AboutSchool }) => (
  <div className="grid max-w-2xl gap-2 text-lg">
    <p>
      {about.name} goes by the times of <b>{about.zone}</b>.
    </p>
    <p>
      {about.help
        ? `When something technical fails, students ask ${about.help}.`
        : 'Nobody is named yet whom students ask when something technical fails.'}
    </p>
    <p>
      {about.classesBy === 'teachers'
        ? 'Every teacher makes class periods.'
        : 'Head and office make class periods.'}
    </p>
    <p>
      {about.resetsBy === 'office'
        ? 'A student who has lost their password gets a new way in from the office.'
        : 'A student who has lost their password gets a new way in from the office or a host of theirs.'}
    </p>
  </div>
);

function About({ kept }: { kept: AboutSchool }) {
  const editing = useAboutSchool(kept);
  const alone = useAlone();
  return (
    <Screen margin={<Margin title="What will happen" notes={editing.notes} />}>
      <SchoolTabs />
      <ScreenTitle tab={alone ? 'About' : 'About the school'} className="mb-4" />
      {kept.mayEdit ? <Form editing={editing} /> : <ToRead about={kept} />}
    </Screen>
  );
}

/** What the school is called, whom students ask, by which clock it goes: head and office change it, others read it. */
export default function AboutSchoolPage() {
  const asked = api.useAboutSchoolQuery();
  return <Loaded asked={asked}>{(kept) => <About kept={kept} />}</Loaded>;
}
