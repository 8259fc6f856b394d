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
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

type Making = ReturnType<typeof useNewLink>;

const PURPOSE_CHOICES = [
  ...PURPOSES.map((p) => ({ value: p.words, label: p.words })),
  { value: OWN_WORDS, label: say.somethingElseDots, apart: true },
];

function PurposeParts({ making }: { making: Making }) {
  const { draft, choosePurpose, writePurpose } = making;
  return (
    <>
      <ChoicePart
        label={say.whatItIsFor}
        value={draft.purpose}
        onChange={choosePurpose}
        choices={PURPOSE_CHOICES}
      />
      {draft.purpose === OWN_WORDS && (
        <>
          {' '}
          <input
            aria-label={say.inYourWords}
            className={`${typedPart} w-44`}
            maxLength={80}
            placeholder={say.inYourWordsWithin}
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
    aria-label={say.name}
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
      <Said
        as={say.forCalledIt}
        purposeParts={<PurposeParts making={making} />}
        namePart={<NamePart making={making} />}
        audiencePart={
          <AudiencePart
            draft={draft.audience}
            onChange={(audience) => change({ audience })}
            classId={classPeriod.id}
            classes={classes}
            groups={groups?.groups ?? []}
            names={new Map()}
            error={errorAt('audience')}
          />
        }
        hostedBy={
          <HostedBy
            draft={draft.audience}
            me={making.me}
            onChange={(audience) => change({ audience })}
          />
        }
        hostsPart={
          <HostsPart
            draft={draft.audience}
            onChange={(audience) => change({ audience })}
            staff={groups?.staff ?? []}
            error={errorAt('audience.hostIds')}
          />
        }
        whetherStudents={
          <ChoicePart
            label={say.whetherStudentsSeeIt}
            value={String(draft.shown)}
            onChange={(v) => change({ shown: v === 'true' })}
            choices={SHOWN}
          />
        }
      />
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
export function NewLink({ classPeriod, classes, start = say.groupWork, onClose }: NewLinkProps) {
  const { data: me } = api.useMeQuery();
  const making = useNewLink(classPeriod, start, me?.person?.id ?? 0);
  const { known, problem, errorAt } = making;
  const wrong = errorAt('label', 'words') ?? problem?.title;
  return (
    <section
      aria-label={say.newLink2}
      className="mb-5 rounded-big border border-line bg-sheet p-5 shadow-soft"
    >
      <h2 className="mb-2 text-xl">{say.aNewLinkShort}</h2>
      <form noValidate onSubmit={making.submit}>
        <Sentence making={making} classPeriod={classPeriod} classes={classes} />
        <p className="mt-1 text-md text-soft">
          {known
            ? fill(say.youCanChangeItsEntry, { what: PRESETS[known.preset].what })
            : say.itTakesTheClassPeriods}
        </p>
        {wrong && <FieldError>{wrong}</FieldError>}
        <p className="mt-3 flex gap-3">
          <Button type="submit" kind="act" disabled={making.isSending}>
            {say.makeTheLink}
          </Button>
          <Button onClick={onClose}>{say.leaveIt}</Button>
        </p>
      </form>
    </section>
  );
}
