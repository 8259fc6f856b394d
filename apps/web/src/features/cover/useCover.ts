import type { Answer } from '@glen/contract';
import { api } from '../../app/api.js';
import { offerUndo } from '../../app/undo.js';
import { useServerForm } from '../../app/useServerForm.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

export type Covers = Answer<'covers'>;

interface Wanted {
  /** Numbers of people; 0: not chosen yet. */
  absentId: number;
  coveringId: number;
  /** Dates, both included. */
  first: string;
  last: string;
}

/** Who is to cover for whom, as it is being said, with what it would be of. */
export function useCover({ today, absent, staff }: Covers) {
  const [add] = api.useAddCoverMutation();
  const [end] = api.useEndCoverMutation();
  const nameOf = (id: number): string => staff.find((one) => one.id === id)?.name ?? '';
  const alone = absent.length === 1 ? absent[0]!.id : 0;
  const start: Wanted = { absentId: alone, coveringId: 0, first: today, last: today };
  const form = useServerForm<Wanted, Wanted, Covers>({
    start,
    send: (wanted) => add({ body: { ...wanted, anyway: true } }),
    onDone: (answer) => {
      const made = answer.covers.reduce((newest, one) => (one.id > newest.id ? one : newest));
      form.reset(start);
      offerUndo(
        fill(say.coversFor, { covering: made.covering.name, absent: made.absent.name }),
        () => end({ params: { coverId: made.id } }).unwrap(),
      );
    },
  });
  const wanted = form.watch();
  const isWhole =
    wanted.absentId > 0 &&
    wanted.coveringId > 0 &&
    wanted.absentId !== wanted.coveringId &&
    wanted.first !== '' &&
    wanted.first <= wanted.last;
  const tried = api.useTryCoverQuery({ body: wanted }, { skip: !isWhole });
  return {
    ...form,
    wanted,
    nameOf,
    /** From another first day the last is not before it. */
    beginOn: (first: string): void =>
      form.change({ first, ...(wanted.last < first ? { last: first } : {}) }),
    /** The sessions that it would be of; nothing while it is not whole, or cannot be. */
    sessions: isWhole && !tried.isError ? tried.currentData?.sessions : undefined,
  };
}
