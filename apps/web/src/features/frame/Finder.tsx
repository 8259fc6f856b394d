import { Command } from 'cmdk';
import { Dialog } from 'radix-ui';
import { useEffect, useState } from 'react';
import { api } from '../../app/api.js';
import { takeTypedAhead } from '../../app/typedAhead.js';
import {
  accountEntries,
  classEntries,
  doingEntries,
  matching,
  placeEntries,
  todayEntries,
  type Entry,
} from './finderEntries.js';
import { foundEntries } from './foundEntries.js';
import { KEYS } from './keys.js';
import { useFinderActs } from './useFinderActs.js';
import * as say from './words.js';

/** From so many letters on, the server is asked. */
const FEWEST_LETTERS = 2;

const item =
  'flex cursor-pointer items-baseline justify-between gap-4 rounded-small px-3 py-2 data-[selected=true]:bg-shade';
const group =
  'text-sm text-soft [&_[cmdk-group-heading]]:px-3 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-item]]:text-base [&_[cmdk-item]]:text-ink';

function Group({ heading, entries }: { heading: string; entries: Entry[] }) {
  if (entries.length === 0) return null;
  return (
    <Command.Group heading={heading} className={group}>
      {entries.map((e) => (
        <Command.Item
          key={e.text + (e.words ?? '')}
          className={item}
          value={`${heading} ${e.text} ${e.words ?? ''}`}
          onSelect={e.run}
        >
          <span className="min-w-0 truncate">{e.text}</span>
          {e.aside && <span className="shrink-0 text-sm text-soft">{e.aside}</span>}
        </Command.Item>
      ))}
    </Command.Group>
  );
}

function Results({ typed, close }: { typed: string; close: () => void }) {
  const acts = useFinderActs(close);
  const { data: today } = api.useTodayQuery();
  const { data: me } = api.useMeQuery();
  const isAsked = typed.length >= FEWEST_LETTERS;
  // What was found for fewer letters is not kept meanwhile: Enter must never choose something that is about to go.
  const { currentData } = api.useFindQuery({ query: { q: typed } }, { skip: !isAsked });
  const found = foundEntries(isAsked ? currentData : undefined, acts);
  const all = today?.classes ?? [];
  const others = (me?.accounts ?? []).filter((a) => a.id !== me?.account?.id);
  const doing = [...doingEntries(all, acts), ...accountEntries(others, acts)];
  const classes = classEntries(all, acts);
  return (
    <>
      <Command.Empty className="px-3 py-4 text-soft">{say.nothingByThatName}</Command.Empty>
      <Group heading={say.people} entries={found.people} />
      <Group heading={say.classPeriods} entries={typed ? matching(classes, typed) : []} />
      <Group heading={say.today} entries={matching(todayEntries(today, acts), typed)} />
      <Group heading={say.sessions} entries={found.sessions} />
      <Group heading={say.links} entries={found.links} />
      <Group heading={say.doWord} entries={matching(doing, typed)} />
      <Group heading={say.classPeriods} entries={typed ? [] : classes} />
      <Group heading={say.places} entries={matching(placeEntries(acts), typed)} />
    </>
  );
}

const Keys = () => (
  <dl className="grid grid-cols-[6rem_1fr] gap-x-4 gap-y-2 p-5">
    {KEYS.map(([key, does]) => [
      <dt key={key} className="font-mono">
        {key}
      </dt>,
      <dd key={does}>{does}</dd>,
    ])}
  </dl>
);

function FindOrDo({ close }: { close: () => void }) {
  // What was typed while it opened is typed into it.
  const [typed, setTyped] = useState('');
  useEffect(() => {
    const ahead = takeTypedAhead();
    if (ahead) setTyped(ahead);
  }, []);
  return (
    <Command label={say.findOrDoTitle} shouldFilter={false}>
      <Command.Input
        autoFocus
        value={typed}
        onValueChange={setTyped}
        placeholder={say.aPersonAClassPeriod}
        className="w-full border-b border-line bg-transparent px-4 py-3 outline-none"
      />
      <Command.List className="max-h-view overflow-auto p-2">
        <Results typed={typed.trim()} close={close} />
      </Command.List>
    </Command>
  );
}

/** Find or do: every place, person, class period, session and link, and what can be done with them. */
export default function Finder({ shows, onClose }: { shows: 'all' | 'keys'; onClose: () => void }) {
  const isKeys = shows === 'keys';
  return (
    <Dialog.Root
      open
      onOpenChange={(open) => {
        if (!open) onClose();
      }}
    >
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-30 bg-bar/40" />
        <Dialog.Content
          className="fixed top-24 left-1/2 z-40 w-150 max-w-view -translate-x-1/2 rounded-big border border-edge bg-sheet text-ink shadow-soft"
          aria-describedby={undefined}
        >
          <Dialog.Title className={isKeys ? 'px-5 pt-4 text-lg' : 'sr-only'}>
            {isKeys ? say.keys : say.findOrDoTitle}
          </Dialog.Title>
          {isKeys ? <Keys /> : <FindOrDo close={onClose} />}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
