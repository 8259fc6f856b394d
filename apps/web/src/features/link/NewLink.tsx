import { useState } from 'react';
import { useNavigate } from 'react-router';
import { PRESETS } from '@glen/core';
import type { ClassItem, Problem } from '@glen/contract';
import { api, messageFor, problemOf } from '../../app/api.js';
import { offerUndo } from '../../app/undo.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { ChoicePart, typedPart } from '../../ui/SentencePart.js';
import { AudiencePart, HostsPart, forClass } from './AudiencePart.js';
import { PURPOSES } from './noted.js';

const OWN_WORDS = 'own';

/** Another link of a class period, in a sentence: what for, called what, for whom. */
export function NewLink({
  of,
  classes,
  start = 'Group work',
  onClose,
}: {
  of: ClassItem;
  classes: ClassItem[];
  start?: string;
  onClose: () => void;
}) {
  const navigate = useNavigate();
  const [add, { isLoading }] = api.useAddLinkMutation();
  const [stop] = api.useStopLinkMutation();
  const { data: groups } = api.useGroupsQuery({ params: { classId: of.id } });
  const [purpose, setPurpose] = useState<string>(start);
  const [words, setWords] = useState('');
  const [label, setLabel] = useState<string>(start);
  const [ours, setOurs] = useState(true);
  const [audience, setAudience] = useState(
    start === 'Lessons' ? forClass(of.id) : { ...forClass(of.id), classIds: [] },
  );
  const [shown, setShown] = useState(true);
  const [problem, setProblem] = useState<Problem>();
  const known = PURPOSES.find((p) => p.words === purpose);
  const choose = (value: string): void => {
    setPurpose(value);
    if (ours) setLabel(value === OWN_WORDS ? '' : value);
  };
  const save = async (): Promise<void> => {
    setProblem(undefined);
    const { data, error } = await add({
      params: { classId: of.id },
      body: {
        label,
        purpose: known ? known.words : words,
        kind: known?.kind ?? 'lesson',
        shown,
        audience,
        ...(known ? { preset: known.preset } : {}),
      },
    });
    if (!data) return setProblem(problemOf(error));
    offerUndo(`A new link: ${data.label}.`, () =>
      stop({ params: { linkId: data.id }, body: { version: data.version } }).unwrap(),
    );
    void navigate(`/classes/${of.id}/links/${data.id}`);
  };
  return (
    <section
      aria-label="New link"
      className="mb-5 rounded-big border border-line bg-sheet p-5 shadow-soft"
    >
      <h2 className="mb-2 text-[20px]">A new link</h2>
      <p className="text-lg leading-[2.2]">
        For{' '}
        <ChoicePart
          label="What it is for"
          value={purpose}
          onChange={choose}
          choices={[
            ...PURPOSES.map((p) => ({ value: p.words, label: p.words })),
            { value: OWN_WORDS, label: 'something else…', apart: true },
          ]}
        />
        {purpose === OWN_WORDS && (
          <>
            {' '}
            <input
              aria-label="In your words"
              className={`${typedPart} w-44`}
              maxLength={80}
              placeholder="in your words"
              value={words}
              onChange={(e) => {
                setWords(e.target.value);
                if (ours) setLabel(e.target.value);
              }}
            />
          </>
        )}
        , called{' '}
        <input
          aria-label="Name"
          className={`${typedPart} w-52`}
          maxLength={80}
          aria-invalid={messageFor(problem, 'label') !== undefined}
          value={label}
          onChange={(e) => {
            setLabel(e.target.value);
            setOurs(false);
          }}
        />
        . It is for{' '}
        <AudiencePart
          draft={audience}
          onChange={setAudience}
          classId={of.id}
          classes={classes}
          groups={groups?.groups ?? []}
          names={new Map()}
          error={messageFor(problem, 'audience', 'classIds', 'groupIds', 'personIds')}
        />
        , hosted by the class period’s hosts and{' '}
        <HostsPart
          draft={audience}
          onChange={setAudience}
          staff={groups?.staff ?? []}
          error={messageFor(problem, 'hostIds')}
        />
        . Students{' '}
        <ChoicePart
          label="Whether students see it"
          value={String(shown)}
          onChange={(v) => setShown(v === 'true')}
          choices={[
            { value: 'true', label: 'see it in their day' },
            { value: 'false', label: 'do not see it' },
          ]}
        />
        .
      </p>
      <p className="mt-1 text-[15px] text-soft">
        {known
          ? `${PRESETS[known.preset].what} You can change its entry rules afterwards.`
          : 'It takes the class period’s entry rules; you can change them afterwards.'}
      </p>
      {problem && <FieldError>{problem.errors?.[0]?.message ?? problem.title}</FieldError>}
      <p className="mt-3 flex gap-3">
        <Button kind="act" disabled={isLoading} onClick={() => void save()}>
          Make the link
        </Button>
        <Button onClick={onClose}>Leave it</Button>
      </p>
    </section>
  );
}
