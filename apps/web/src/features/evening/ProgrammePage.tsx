import { Link, useParams } from 'react-router';
import { dateInWords, readProgramme } from '@glen/core';
import type { Answer, Me, Problem } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { useMinute } from '../../app/clock.js';
import { Loaded } from '../../app/Loaded.js';
import { useKeptForm } from '../../app/useKeptForm.js';
import { Button, buttonClass } from '../../ui/Button.js';
import { Field, FieldError, inputClass } from '../../ui/Field.js';
import { Screen } from '../../ui/Margin.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { TextField } from '../../ui/TextField.js';
import { Theirs } from '../../ui/Theirs.js';
import { ProgrammeList } from './ProgrammeList.js';
import { Rehearsal } from './Rehearsal.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type Programme = Answer<'programme'>;

/** The programme as its form knows it; version 0: nothing was said yet. */
interface Kept {
  version: number;
  text: string;
  word: string;
}

const keptOf = ({ version, text, word }: Programme): Kept => ({
  version: version ?? 0,
  text,
  word,
});

function withKept(problem: Problem | undefined): unknown {
  const current = problem?.current as Programme | undefined;
  return current ? { ...problem, current: keptOf(current) } : problem;
}

function useProgramme(programme: Programme) {
  const [save] = api.useSetProgrammeMutation();
  const { seriesId, key } = programme;
  return useKeptForm<Kept, Omit<Kept, 'version'>, Omit<Kept, 'version'>>({
    kept: keptOf(programme),
    keepAs: `programme-${seriesId}-${key}`,
    fieldsOf: ({ text, word }) => ({ text, word }),
    save: async ({ text, word }, version) => {
      const body = { key, text, word, version: version === 0 ? null : version };
      const { data, error } = await save({ params: { seriesId }, body });
      return data ? { data: keptOf(data) } : { error: withKept(problemOf(error)) };
    },
  });
}

/** What is typed so far, counted, with the first line that cannot be read. */
function readSoFar(text: string, session: Programme): string {
  const { items, unread } = readProgramme(text, session);
  const [first] = unread;
  if (first) return fill(say.lineWhy, { line: first.line, why: first.why });
  if (items.length === 0) return say.suchAs1845Chartwork;
  return `${items.length} ${items.length === 1 ? 'part' : 'parts'}.`;
}

function ProgrammeForm({ programme }: { programme: Programme }) {
  const editing = useProgramme(programme);
  const { register, watch, formState, problem, theirs, isDirty, submit, errorAt } = editing;
  return (
    <form className="grid max-w-2xl gap-3" noValidate onSubmit={submit}>
      {theirs && (
        <Theirs {...editing}>
          {fill(say.theirsText, { text: (theirs as Kept).text || say.nothing })}
        </Theirs>
      )}
      <Field
        label={say.whatComesAfterWhat}
        error={errorAt('text')}
        hint={readSoFar(watch('text'), programme)}
      >
        {(p) => (
          <textarea {...p} rows={8} className={`${inputClass} font-mono`} {...register('text')} />
        )}
      </Field>
      <TextField
        label={say.aWordAtTheDoor}
        maxLength={300}
        autoComplete="off"
        error={errorAt('word')}
        {...register('word')}
      />
      {problem && !theirs && errorAt('text', 'word') === undefined && (
        <FieldError>{problem.title}</FieldError>
      )}
      <p>
        <Button type="submit" kind="act" disabled={!isDirty || formState.isSubmitting}>
          {say.saveTheProgramme}
        </Button>
      </p>
    </form>
  );
}

function Known({ programme, zone }: { programme: Programme; zone: string }) {
  const now = useMinute();
  const { title, date, time, classId, linkId, items, end } = programme;
  return (
    <Screen margin={false}>
      <ScreenTitle tab={fill(say.programmeTitle, { title })}>
        {fill(say.programmeTitle, { title })}
      </ScreenTitle>
      <p className="mt-1 mb-5 flex flex-wrap gap-x-4 text-soft">
        {dateInWords(date, 'with-year')}, {time}
        <Link className={buttonClass('link')} to={`/classes/${classId}`}>
          {say.itsSessions}
        </Link>
        <Link className={buttonClass('link')} to={`/desk/${linkId}`}>
          {say.itsDesk}
        </Link>
      </p>
      <ProgrammeForm programme={programme} />
      {items.length > 0 && (
        <section className="mt-8 max-w-2xl" aria-label={say.atTheDoor}>
          <h2 className="mb-1 text-lg">{say.atTheDoor}</h2>
          <p className="mb-2 text-soft">{say.itSaysWhat}</p>
          <ProgrammeList items={items} end={end} now={now} />
        </section>
      )}
      {/* What was tried holds for the programme that it was tried with. */}
      <Rehearsal key={programme.version ?? 0} programme={programme} zone={zone} />
    </Screen>
  );
}

/** What comes after what in one session, said by its hosts, and rehearsed. */
export default function ProgrammePage({ me }: { me: Me }) {
  const { seriesId, key = '' } = useParams();
  const asked = api.useProgrammeQuery({ params: { seriesId: Number(seriesId) }, query: { key } });
  return (
    <Loaded asked={asked}>
      {(programme) => <Known programme={programme} zone={me.school.zone} />}
    </Loaded>
  );
}
