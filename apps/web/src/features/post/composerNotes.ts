import { notesForEmptyRoll, notesForPost, type EntryRules, type Note } from '@glen/core';
import { classTitle } from '@glen/core/light';
import type { Answer, ClassItem } from '@glen/contract';
import type { PostDraft } from './draft.js';

type Preview = Answer<'previewPost'>;

const NO_CLASS = { title: '', period: null };

/** Who gets in by each class period's link while its roll is empty. */
const rollNotes = ({ places }: Preview, classes: ClassItem[]): Note[] =>
  classes.flatMap((c) => {
    const place = places.find((p) => p.classId === c.id);
    if (!place) return [];
    const whoMayEnter = place.whoMayEnter as EntryRules['whoMayEnter'];
    if (c.isOccasion) return [];
    return notesForEmptyRoll({
      classId: c.id,
      title: classTitle(c),
      rollSize: c.rollSize,
      whoMayEnter,
    });
  });

/** What needs thought about a post while it is written. */
export const composerNotes = (draft: PostDraft, preview: Preview, classes: ClassItem[]): Note[] => [
  ...rollNotes(preview, classes),
  ...notesForPost({
    about: draft.about === 'link' ? 'link' : 'sessions',
    draft: draft.timing === 'draft',
    afterwards: draft.afterwards,
    asksCode: preview.asksCode,
    givesCode: preview.givesCode,
    readers: preview.readers,
    places: preview.places.map((place) => ({
      where: place.where,
      classTitle: classTitle(classes.find((c) => c.id === place.classId) ?? NO_CLASS),
      kind: draft.places[place.index]?.kind ?? 'stream',
      readerCount: place.readerCount,
      dates: place.dates,
      due: place.due,
      empty: place.empty,
      problem:
        preview.problems.find((p) => p.path.startsWith(`places.${place.index}.`))?.message ?? null,
    })),
  }),
];
