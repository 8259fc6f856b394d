import { Check, X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';
import type { Note, NoteAction } from '@glen/core';
import { Button } from './Button.js';
import { useWide } from './useMedia.js';
import { fill, many } from './fill.js';
import * as say from './words.js';

const icon = (Icon: typeof X) => <Icon size={12} strokeWidth={3} aria-hidden="true" />;
const letter = (text: string) => (
  <span aria-hidden="true" className="text-fine leading-none font-bold">
    {text}
  </span>
);

const GLYPHS = {
  wrong: {
    glyph: icon(X),
    words: say.wrong,
    dress: 'bg-berry text-sheet rotate-45 rounded-mark',
    turn: '-rotate-45',
  },
  careful: {
    glyph: letter('!'),
    words: say.careful,
    dress: 'bg-gorse text-sheet rounded-mark',
    turn: '',
  },
  inform: {
    glyph: letter('i'),
    words: say.toKnow,
    dress: 'bg-loch text-sheet rounded-full',
    turn: '',
  },
  well: { glyph: icon(Check), words: say.well, dress: 'bg-moss text-sheet rounded-full', turn: '' },
} as const;

function Glyph({ severity }: { severity: Note['severity'] }) {
  const { glyph, words, dress, turn } = GLYPHS[severity];
  return (
    <span className={`flex size-4.5 shrink-0 items-center justify-center ${dress}`}>
      <span className={turn}>
        {glyph}
        <span className="sr-only">{words}: </span>
      </span>
    </span>
  );
}

type OnAction = (action: NoteAction) => void;

function NoteCard({ note, onAction }: { note: Note; onAction?: OnAction | undefined }) {
  return (
    <li className="flex gap-3 rounded-small border border-line bg-sheet p-3">
      <span className="mt-0.5">
        <Glyph severity={note.severity} />
      </span>
      <div className="min-w-0 text-md">
        <h3 className="font-sans text-md font-bold">{note.title}</h3>
        <p className="text-soft">{note.text}</p>
        {note.actions && onAction && (
          <p className="mt-1 flex flex-wrap gap-x-4">
            {note.actions.map((action) => (
              <Button
                key={action.label}
                kind="link"
                className="text-left !whitespace-normal"
                onClick={() => onAction(action)}
              >
                {action.label}
              </Button>
            ))}
          </p>
        )}
      </div>
    </li>
  );
}

interface MarginProps {
  title?: string;
  notes: Note[];
  onAction?: OnAction;
  children?: ReactNode;
  /** What stands below, and is no thought of its own. */
  below?: ReactNode;
}

export const NoteList = ({ notes, onAction }: Pick<MarginProps, 'notes' | 'onAction'>) =>
  notes.length === 0 ? null : (
    <ul className="grid gap-3">
      {notes.map((note, i) => (
        <NoteCard key={`${i} ${note.title}`} note={note} onAction={onAction} />
      ))}
    </ul>
  );

const mostUrgentNote = (notes: Note[]): Note | undefined =>
  (['wrong', 'careful', 'inform', 'well'] as const).flatMap((s) =>
    notes.filter((n) => n.severity === s),
  )[0];
const mostUrgent = (notes: Note[]): Note['severity'] => mostUrgentNote(notes)?.severity ?? 'well';

/** Where it folds to: a drawer at the side, on a phone a sheet from below. */
const DRAWER = 'half:inset-y-0 half:right-0 half:w-80 half:border-l';
const SHEET =
  'max-half:inset-x-0 max-half:bottom-0 max-half:max-h-view max-half:rounded-t-big max-half:border-t';

/**
 * What needs thought about this screen: the right-hand column where there is room for it, else a drawer behind
 * a line that says what is most urgent. Its notes are computed, never written in.
 */
export function Margin({ title = say.inTheMargin, notes, onAction, children, below }: MarginProps) {
  const wide = useWide();
  const content = (
    <>
      <NoteList notes={notes} {...(onAction ? { onAction } : {})} />
      {notes.length === 0 && !children && (
        <p className="text-soft">{say.nothingNeedsThoughtHere}</p>
      )}
      {children}
      {below}
    </>
  );
  if (wide) {
    return (
      <aside aria-label={title} className="border-l border-line bg-shade/50 px-4.5 print:hidden">
        <div className="sticky top-0 pt-5 pb-24">
          <h2 className="mb-3 font-sans text-sm font-semibold text-soft">{title}</h2>
          {content}
        </div>
      </aside>
    );
  }
  return (
    <Dialog.Root>
      <Dialog.Trigger
        aria-label={`${title}: ${many(say.notes, notes.length)}`}
        className="order-first flex w-full items-center gap-2.5 border-b border-line bg-shade/50 px-6.5 py-2 text-left text-md max-half:min-h-11 print:hidden"
      >
        <Glyph severity={mostUrgent(notes)} />
        <b className="truncate">{mostUrgentNote(notes)?.title ?? title}</b>
        {notes.length > 1 && (
          <span className="shrink-0 text-soft">
            {fill(say.andNotesCountMore, { notesCount: notes.length - 1 })}
          </span>
        )}
        <span className="ml-auto shrink-0 text-bracken-deep">{say.open}</span>
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-30 bg-bar/40" />
        <Dialog.Content
          aria-describedby={undefined}
          className={`fixed z-40 overflow-y-auto border-line bg-paper px-4.5 py-5 shadow-soft ${DRAWER} ${SHEET}`}
        >
          <div className="mb-3 flex items-center justify-between">
            <Dialog.Title className="font-sans text-sm font-semibold text-soft">
              {title}
            </Dialog.Title>
            <Dialog.Close
              aria-label={say.closeTheMargin}
              className="flex size-11 items-center justify-center rounded-small half:size-auto half:p-1"
            >
              <X size={18} aria-hidden="true" />
            </Dialog.Close>
          </div>
          {content}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/** Holds the margin's place while there is nothing to say yet, or nothing can be said. */
const MarginPlace = () => (
  <aside
    aria-label={say.inTheMargin}
    className="order-first min-h-10 border-b border-line bg-shade/50 wide:order-none wide:border-b-0 wide:border-l wide:px-4.5 wide:py-5 print:hidden"
  >
    <h2 className="hidden font-sans text-sm font-semibold text-soft wide:block">
      {say.inTheMargin}
    </h2>
  </aside>
);

const BESIDE = 'wide:content-stretch wide:grid-cols-[minmax(0,1fr)_292px]';

/** What stands around one part of a thing that has several: whose part it is, and the list of all parts beside it. */
export interface Around {
  head: ReactNode;
  parts: ReactNode;
}

interface ScreenProps {
  /** `false`: a list that needs the room has none. */
  margin?: ReactNode;
  around?: Around | undefined;
  children: ReactNode;
}

const OnePart = ({ head, parts, children }: Around & { children: ReactNode }) => (
  <>
    {head}
    <div className="grid grid-cols-[minmax(0,1fr)] gap-x-6 half:grid-cols-[12.5rem_minmax(0,1fr)] print:block">
      {parts}
      <div className="min-w-0">{children}</div>
    </div>
  </>
);

/** A screen of the frame: what it is about, and beside it the margin. */
export function Screen({ margin, around, children }: ScreenProps) {
  return (
    <div
      className={`grid flex-1 grid-cols-[minmax(0,1fr)] content-start print:block ${margin === false ? '' : BESIDE}`}
    >
      <main id="main" className="mx-auto w-full max-w-page min-w-0 px-6.5 py-6 print:p-0">
        {around ? <OnePart {...around}>{children}</OnePart> : children}
      </main>
      {margin ?? <MarginPlace />}
    </div>
  );
}
