import type { ReactNode } from 'react';
import type { NoteAction } from '@glen/core';
import type { ClassItem, Post } from '@glen/contract';
import { messageFor } from '../../app/api.js';
import { useNow, wallClock } from '../../app/clock.js';
import { useNoteActions } from '../../app/useNoteActions.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { TextField } from '../../ui/TextField.js';
import { HalfNote } from '../../ui/HalfNote.js';
import { Margin, Screen, type Around } from '../../ui/Margin.js';
import { mayEdit } from '../school/mayEdit.js';
import { PlacesPart } from './PlacesPart.js';
import type { ErrorAt } from './PlaceRow.js';
import { Preview } from './Preview.js';
import { RichEditor } from './RichEditor.js';
import { TimingPart } from './TimingPart.js';
import { composerNotes } from './composerNotes.js';
import { buttonWords, inALine } from './draft.js';
import { useComposer } from './useComposer.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type Composing = ReturnType<typeof useComposer>;

/** Somebody else saved meanwhile: what it says now. */
const TheirPost = ({ theirs }: { theirs: Post }) => (
  <div role="alert" className="mb-4 rounded-small bg-gorse-tint p-3 text-gorse-deep">
    <p className="font-semibold">{say.somebodyChangedThisPostWhile}</p>
    <p>{inALine(theirs.words)}</p>
    <p>{fill(say.linkWords, { linkWords: theirs.linkWords })}</p>
    <p className="mt-1">{say.saveAgainToPutYours}</p>
  </div>
);

const WordsAndPreview = ({ draft, start, change, errorAt, preview }: Composing) => (
  <div className="grid grid-cols-[minmax(0,1fr)] gap-5 md:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
    <div className="grid content-start gap-4">
      <RichEditor
        key={start.turn}
        label={say.words}
        start={start.words}
        onChange={(words) => change({ words })}
        error={errorAt('words')}
      />
      <TextField
        label={say.linkWordsShort}
        hint={say.theyAreTheLinkBlank}
        error={errorAt('linkWords')}
        value={draft.linkWords}
        onChange={(e) => change({ linkWords: e.target.value })}
      />
    </div>
    <Preview places={preview?.places ?? []} />
  </div>
);

interface TimingProps {
  composing: Composing;
  zone: string;
  isOut: boolean;
}

function Timing({ composing: { draft, change, errorAt }, zone, isOut }: TimingProps) {
  const { date, time } = wallClock(useNow(), zone);
  const wrong = errorAt('timing', 'about');
  return (
    <div>
      <TimingPart
        draft={draft}
        change={change}
        today={{ date, time }}
        wrong={errorAt('timing') !== undefined}
        isOut={isOut}
      />
      {wrong && <FieldError>{wrong}</FieldError>}
    </div>
  );
}

/** What is wrong with the places: what the server refused, else what it would refuse. */
function placesErrors({ errorAt, preview }: Composing): ErrorAt {
  if (errorAt('places') || !preview) return errorAt;
  const would = { type: '', title: '', status: 422, errors: preview.problems };
  return (path) => messageFor(would, path);
}

interface ComposerProps {
  /** Above it, where no class period stands around it. */
  head?: ReactNode;
  around?: Around;
  classPeriod: ClassItem;
  classes: ClassItem[];
  editing: Post | null;
  zone: string;
  onDone: (post?: Post) => void;
}

type FormProps = Pick<ComposerProps, 'classes' | 'editing' | 'zone' | 'onDone'> & {
  composing: Composing;
};

function PostForm({ composing, classes, editing, zone, onDone }: FormProps) {
  const { draft, change, submit, leave, isSending, problem, theirs, preview } = composing;
  const now = wallClock(useNow(), zone);
  const dates = (preview?.places ?? []).reduce((sum, place) => sum + place.dates, 0);
  return (
    <form className="grid grid-cols-[minmax(0,1fr)] gap-4" noValidate onSubmit={submit}>
      <WordsAndPreview {...composing} />
      <Timing composing={composing} zone={zone} isOut={editing?.outSince != null} />
      <PlacesPart
        places={draft.places}
        classes={classes.filter(mayEdit)}
        errorAt={placesErrors(composing)}
        ofSessions={draft.about !== 'link'}
        onChange={(places) => change({ places })}
      />
      {problem && !theirs && <FieldError>{problem.title}</FieldError>}
      <div className="flex gap-3">
        <Button type="submit" kind="act" disabled={isSending}>
          {editing ? say.saveTheChange : buttonWords(draft, { dates, now })}
        </Button>
        <Button
          onClick={() => {
            leave();
            onDone();
          }}
        >
          {say.leaveIt}
        </Button>
      </div>
    </form>
  );
}

/** Composes a post for any mix of places, new or standing. */
export function Composer({ head, around, classPeriod, ...rest }: ComposerProps) {
  const { classes, editing, onDone } = rest;
  const composing = useComposer({ classPeriod, editing, onDone });
  const { draft, change, theirs, preview, half, throwAway } = composing;
  const actElsewhere = useNoteActions();
  const act = (action: NoteAction): void => {
    if (action.name === 'put-in-code')
      change({ linkWords: `${draft.linkWords} ${say.codeByItself}` });
    else if (action.name === 'make-standing')
      change({ about: 'link', timing: 'now', afterwards: 'stay' });
    else actElsewhere(action);
  };
  const notes = preview ? composerNotes(draft, preview, classes) : [];
  return (
    <Screen around={around} margin={<Margin notes={notes} onAction={act} />}>
      {head}
      <section
        aria-label={editing ? say.changeAPost : say.newPost2}
        className="mb-6 rounded-big border border-line bg-sheet p-5 shadow-soft"
      >
        <h2 className="mb-3 text-lg">{editing ? say.changeThePost : say.newPost2}</h2>
        {half && <HalfNote onThrowAway={throwAway} />}
        {theirs && <TheirPost theirs={theirs} />}
        <PostForm composing={composing} {...rest} />
      </section>
    </Screen>
  );
}
