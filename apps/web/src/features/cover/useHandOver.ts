import type { Answer } from '@glen/contract';
import { toast } from '../../ui/toast.js';
import { api } from '../../app/api.js';
import { useServerForm } from '../../app/useServerForm.js';
import * as say from './words.js';

export type HostedThings = Answer<'hosted'>;

interface Wanted {
  /** Whoever takes over what is given to nobody else; 0: not chosen yet. */
  toId: number;
  /** Who takes over a class period, by its number; left out: as above. */
  apart: Record<string, number>;
}

/** Hands over all that somebody hosts, as it is being said. */
export function useHandOver(personId: number, hosted: HostedThings, onDone: () => void) {
  const [handOver] = api.useHandOverAllMutation();
  const form = useServerForm<Wanted, Wanted, HostedThings>({
    start: { toId: 0, apart: {} },
    send: ({ toId, apart }) =>
      handOver({
        params: { personId },
        body: {
          version: hosted.version,
          classes: hosted.classes.map(({ id }) => ({ classId: id, toId: apart[id] ?? toId })),
        },
      }),
    // Whatever is wrong with one of them is said of all.
    fieldOf: () => '',
    onDone: () => {
      toast(say.allOfItIsHanded);
      onDone();
    },
  });
  const { toId, apart } = form.watch();
  return {
    ...form,
    toId,
    toOf: (classId: number): number => apart[classId] ?? toId,
    giveApart: (classId: number, to: number): void =>
      form.change({ apart: { ...apart, [classId]: to } }),
    isWhole: hosted.classes.every(({ id }) => (apart[id] ?? toId) > 0),
  };
}
