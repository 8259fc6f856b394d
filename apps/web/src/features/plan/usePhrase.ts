import { useEffect, useState } from 'react';
import { classTitle, readPhrase, type Note, type NoteAction, type ReadPhrase } from '@glen/core';
import { api } from '../../app/api.js';
import { useWriting } from '../../ui/writing.js';
import { wallClock } from '../../app/clock.js';
import { fromPlan, planOfDraft, type SheetDraft } from './sheetDraft.js';
import { slotsOfDraft } from './slotsDraft.js';
import type { SheetForm } from './useSheetForm.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

/** What somebody typed, with what the sheet held once it was read: all of it, its time, how it repeats. */
interface Line {
  text: string;
  filled: Filled;
}
interface Filled {
  all: string;
  time: string;
  end: string;
}

/** Some region that writes dates in that order: the core reads `12/11` by it. */
const REGION_OF = { dmy: 'GB', mdy: 'US', ymd: 'CA' } as const;
const NOTHING: Line = { text: '', filled: { all: '', time: '', end: '' } };
const SAY_INSTEAD = 'say-instead';

/** What of the sheet a phrase fills in, to tell whether it was changed by hand since. */
function filledBy(draft: SheetDraft): Filled {
  const plan = planOfDraft(draft);
  return {
    all: JSON.stringify([draft.classId, draft.linkId, plan, slotsOfDraft(draft)]),
    time: JSON.stringify(plan.at),
    end: JSON.stringify(plan.repeat),
  };
}

const slotParts = (slots: ReadPhrase['slots']): Partial<SheetDraft> =>
  slots
    ? { inSlots: true, slotMinutes: String(slots.minutes), slotGap: String(slots.gap) }
    : { inSlots: false };

/** What a phrase says of the sheet. */
function partsOf(
  { plan, classId, linkId, slots }: ReadPhrase,
  { classes, draft }: SheetForm,
  labelOf: (linkId: number) => string | undefined,
): Partial<SheetDraft> {
  const named = classes.find((c) => c.id === classId);
  const planned = { ...fromPlan(plan), ...slotParts(slots) };
  if (!named) return planned;
  const link = linkId === undefined || linkId === named.link.id ? null : linkId;
  const words = link === null ? classTitle(named) : labelOf(link);
  return {
    ...planned,
    classId: named.id,
    linkId: link,
    ...(draft.titleIsOurs && words ? { title: words } : {}),
  };
}

/** What was assumed, with a press for each that could have been another. */
function assumedNote(assumed: ReadPhrase['assumed']): Note[] {
  if (assumed.length === 0) return [];
  const told = assumed.map(({ text, as }) => (text === '' ? as : fill(say.textAs, { text, as })));
  const actions = assumed.flatMap(({ instead, from, to }): NoteAction[] =>
    instead === undefined
      ? []
      : [
          {
            name: SAY_INSTEAD,
            label: fill(say.noInstead, { instead: instead.trim() }),
            key: `${from} ${to} ${instead}`,
          },
        ],
  );
  return [{ severity: 'inform', title: say.readAs, text: `${told.join('; ')}.`, actions }];
}

/** A place of the line replaced by other words; a space is kept between them. */
function replaced(text: string, from: number, to: number, words: string): string {
  return `${text.slice(0, from)}${words}${text.slice(to)}`.replace(/ {2,}/g, ' ').trim();
}

/** What the main button says while the line is not clear. */
function askOf([first]: ReadPhrase['unclear']): string | undefined {
  if (!first) return undefined;
  if (first.text === '') return first.why;
  const said = first.text.length > 24 ? `${first.text.slice(0, 23)}…` : first.text;
  return fill(say.whatIs, { said });
}

/** The line in which a session can be typed: what it is read as goes into the sentence; what is not understood keeps it from being saved. */
export function usePhrase(form: SheetForm, now: string) {
  const { school, today, classes, draft, change, read: saved } = form;
  const [line, setLine] = useState(NOTHING);
  const { data } = api.useLinksQuery(undefined, { skip: saved !== null });
  const links = data?.links ?? [];
  const { time } = wallClock(now, school.zone);
  const { dateOrder } = useWriting();
  const readIt = (text: string): ReadPhrase =>
    readPhrase(text, {
      school,
      today,
      time,
      region: REGION_OF[dateOrder],
      current: draft.classId,
      classes: classes.map((c) => ({
        id: c.id,
        title: c.title,
        period: c.period,
        letters: c.pennant.letters,
        links: links.filter((l) => l.classId === c.id && l.state === 'live'),
      })),
    });
  const type = (text: string): void => {
    if (text.trim() === '') return setLine({ ...NOTHING, text });
    const parts = partsOf(readIt(text), form, (id) => links.find((l) => l.id === id)?.label);
    setLine({ text, filled: filledBy({ ...draft, ...parts }) });
    change(parts);
  };
  // A link may be named before it is known which there are.
  const isKnown = data !== undefined;
  useEffect(() => {
    if (isKnown && line.text !== '') type(line.text);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once, when the links come
  }, [isKnown]);
  const isEmpty = line.text.trim() === '';
  const holds = filledBy(draft);
  const isByHand = !isEmpty && line.filled.all !== holds.all;
  const { unclear, assumed } = isEmpty ? { unclear: [], assumed: [] } : readIt(line.text);
  // What was missing may be said by hand in the sentence.
  const open = unclear.filter(({ missing }) => !missing || line.filled[missing] === holds[missing]);
  return {
    text: line.text,
    type,
    unclear: open,
    /** What is missing before anything can be saved, as the main button asks it. */
    ask: askOf(open),
    notes: isByHand ? [] : assumedNote(assumed),
    leaveOut: (place: { from: number; to: number }) =>
      type(replaced(line.text, place.from, place.to, '')),
    /** Takes what an assumption could have been instead; other presses are none of the line's. */
    act: ({ name, key = '' }: NoteAction): boolean => {
      if (name !== SAY_INSTEAD) return false;
      const [from, to, ...words] = key.split(' ');
      type(replaced(line.text, Number(from), Number(to), words.join(' ')));
      return true;
    },
  };
}

export type Phrase = ReturnType<typeof usePhrase>;
