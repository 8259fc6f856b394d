import type { Note } from '@glen/core';
import { Button } from '../ui/Button.js';
import { Chip } from '../ui/Chip.js';
import { FieldError } from '../ui/Field.js';
import { NoteList } from '../ui/Margin.js';
import { Pennant } from '../ui/Pennant.js';
import { ScreenTitle } from '../ui/ScreenTitle.js';
import { Empty, Loading, Trouble } from '../ui/States.js';
import { Theirs } from '../ui/Theirs.js';
import { Kind, States } from './Shown.js';
import { Choices, DatesAndTimes, TextFields } from './Typed.js';

const BUTTONS = ['act', 'strong', 'plain', 'danger', 'danger-link', 'link'] as const;

const Buttons = () => (
  <Kind title="Buttons">
    <States of="The one that acts a screen; the one that acts a card; others; what ends something; in a line">
      {BUTTONS.map((kind) => (
        <Button key={kind} kind={kind}>
          {kind}
        </Button>
      ))}
    </States>
    <States of="Not now">
      {BUTTONS.map((kind) => (
        <Button key={kind} kind={kind} disabled>
          {kind}
        </Button>
      ))}
    </States>
  </Kind>
);

const TONES = ['plain', 'inform', 'well', 'careful', 'wrong'] as const;

const Chips = () => (
  <Kind title="Facts beside a thing">
    <States of="In each tone">
      {TONES.map((tone) => (
        <Chip key={tone} tone={tone}>
          {tone}
        </Chip>
      ))}
    </States>
    <States of="What is wrong, in words">
      <FieldError>Give it a title.</FieldError>
    </States>
  </Kind>
);

const SIZES = [
  ['text-xs', 'marks in drawings'],
  ['text-fine', 'dense tables'],
  ['text-sm', 'what stands beside'],
  ['text-md', 'buttons and notes'],
  ['text-base', 'text'],
  ['text-lg', 'sentences'],
  ['text-xl', 'headings of a part'],
  ['text-2xl', 'headings of a screen'],
  ['text-3xl', 'the first page one meets'],
] as const;

const TextSizes = () => (
  <Kind title="Text">
    {SIZES.map(([size, use]) => (
      <p key={size} className={size}>
        {size.slice('text-'.length)}: {use}
      </p>
    ))}
  </Kind>
);

const PATTERNS = ['halves', 'diagonal', 'stripes', 'cross'] as const;

const Pennants = () => (
  <Kind title="Pennants">
    {(['small', 'large'] as const).map((size) => (
      <States key={size} of={size}>
        {PATTERNS.map((pattern) => (
          <Pennant key={pattern} pennant={{ letters: 'N3', pattern, hue: 'loch' }} size={size} />
        ))}
      </States>
    ))}
  </Kind>
);

const NOTES: Note[] = [
  { severity: 'wrong', title: 'Two sessions at once', text: 'Navigation and Ropework overlap.' },
  {
    severity: 'careful',
    title: 'Nobody has the link yet',
    text: 'It stands nowhere.',
    actions: [{ name: 'post-link', label: 'Post it' }],
  },
  { severity: 'inform', title: 'Fog bells on Friday', text: 'Periods are ten minutes shorter.' },
  { severity: 'well', title: 'Everybody can get in', text: '24 students see one door.' },
];

const nothing = (): void => {};

const Notes = () => (
  <Kind title="The margin">
    <NoteList notes={NOTES} onAction={nothing} />
  </Kind>
);

const WholeStates = () => (
  <Kind title="States of a list or a screen">
    <Loading lines={2} />
    <Empty title="No posts yet">A post brings a link to where students look.</Empty>
    <Trouble
      problem={{ type: '', status: 503, title: 'The school’s video service does not answer.' }}
      retry={nothing}
    />
    <Theirs saveOver={nothing} takeTheirs={nothing}>
      Theirs is called “Tides”.
    </Theirs>
  </Kind>
);

/** Each part of `ui/` in its states. */
export const Parts = () => (
  <main id="main" className="mx-auto grid max-w-page gap-5 px-6 py-6">
    <ScreenTitle tab="The parts" />
    <TextSizes />
    <Buttons />
    <Chips />
    <TextFields />
    <Choices />
    <DatesAndTimes />
    <Pennants />
    <Notes />
    <WholeStates />
  </main>
);
