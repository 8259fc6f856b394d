import { PRESETS } from '@glen/core';
import type { ClassItem } from '@glen/contract';
import { api } from '../../app/api.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { ChoicePart } from '../../ui/choices.js';
import { typedPart } from '../../ui/SentencePart.js';
import { AudiencePart } from './AudiencePart.js';
import { HostedBy, HostsPart } from './HostsPart.js';
import { PURPOSES, SHOWN } from './noted.js';
import { OWN_WORDS, useNewLink } from './useNewLink.js';

type Making = ReturnType<typeof useNewLink>;

const PURPOSE_CHOICES = [
  ...PURPOSES.map((p) => ({ value: p.words, label: p.words })),
  { value: OWN_WORDS, label: 'something else…', apart: true },
];

function PurposeParts({ making }: { making: Making }) {
  const { draft, choosePurpose, writePurpose } = making;
  return (
    <>
      <ChoicePart
        label="What it is for"
        value={draft.purpose}
        onChange={choosePurpose}
        choices={PURPOSE_CHOICES}
      />
      {draft.purpose === OWN_WORDS && (
        <>
          {' '}
          <input
            aria-label="In your words"
            className={`${typedPart} w-44`}
            maxLength={80}
            placeholder="in your words"
            value={draft.words}
            onChange={(e) => writePurpose(e.target.value)}
          />
        </>
      )}
    </>
  );
}

const NamePart = ({ making: { draft, errorAt, writeLabel } }: { making: Making }) => (
  <input
    aria-label="Name"
    className={`${typedPart} w-52`}
    maxLength={80}
    aria-invalid={errorAt('label') !== undefined}
    value={draft.label}
    onChange={(e) => writeLabel(e.target.value)}
  />
);

interface SentenceProps {
  making: Making;
  classPeriod: ClassItem;
  classes: ClassItem[];
}

function Sentence({ making, classPeriod, classes }: SentenceProps) {
  const { draft, errorAt, change } = making;
  const { data: groups } = api.useGroupsQuery({ params: { classId: classPeriod.id } });
  return (
    <p className="text-lg leading-sentence">
      For <PurposeParts making={making} />, called <NamePart making={making} />. It is for{' '}
      <AudiencePart
        draft={draft.audience}
        onChange={(audience) => change({ audience })}
        classId={classPeriod.id}
        classes={classes}
        groups={groups?.groups ?? []}
        names={new Map()}
        error={errorAt('audience')}
      />
      , hosted by{' '}
      <HostedBy
        draft={draft.audience}
        me={making.me}
        onChange={(audience) => change({ audience })}
      />{' '}
      <HostsPart
        draft={draft.audience}
        onChange={(audience) => change({ audience })}
        staff={groups?.staff ?? []}
        error={errorAt('audience.hostIds')}
      />
      . Students{' '}
      <ChoicePart
        label="Whether students see it"
        value={String(draft.shown)}
        onChange={(v) => change({ shown: v === 'true' })}
        choices={SHOWN}
      />
      .
    </p>
  );
}

interface NewLinkProps {
  classPeriod: ClassItem;
  classes: ClassItem[];
  /** The purpose it begins with. */
  start?: string;
  onClose: () => void;
}

/** Another link of a class period, in a sentence: what for, called what, for whom. */
export function NewLink({ classPeriod, classes, start = 'Group work', onClose }: NewLinkProps) {
  const { data: me } = api.useMeQuery();
  const making = useNewLink(classPeriod, start, me?.person?.id ?? 0);
  const { known, problem, errorAt } = making;
  const wrong = errorAt('label', 'words') ?? problem?.title;
  return (
    <section
      aria-label="New link"
      className="mb-5 rounded-big border border-line bg-sheet p-5 shadow-soft"
    >
      <h2 className="mb-2 text-xl">A new link</h2>
      <form noValidate onSubmit={making.submit}>
        <Sentence making={making} classPeriod={classPeriod} classes={classes} />
        <p className="mt-1 text-md text-soft">
          {known
            ? `${PRESETS[known.preset].what} You can change its entry rules afterwards.`
            : 'It takes the class period’s entry rules; you can change them afterwards.'}
        </p>
        {wrong && <FieldError>{wrong}</FieldError>}
        <p className="mt-3 flex gap-3">
          <Button type="submit" kind="act" disabled={making.isSending}>
            Make the link
          </Button>
          <Button onClick={onClose}>Leave it</Button>
        </p>
      </form>
    </section>
  );
}
