import type { Answer, Problem, Sent } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { wayBack } from '../../app/wayBack.js';
import { offerUndo } from '../../app/undo.js';

type Touched = Answer<'changeSessions'>['touched'];
type Changes = Sent<'changeSessions'>['changes'];
/** The versions that series have after something was taken back. */
type Versions = Map<number, number>;

/** Changes of series' dates, each with the way back and, after that, on again. */
export function useChanges() {
  const [send] = api.useChangeSessionsMutation();
  const [takeBack] = api.useTakeBackChangeMutation();

  const offerToTakeBack = (
    label: string,
    touched: Touched,
    again?: (versions: Versions) => Promise<{ touched: Touched }>,
  ): void => {
    let now = touched;
    let back: Versions = new Map();
    offerUndo(
      label,
      async () => {
        const answer = await takeBack({ body: { touched: now } }).unwrap();
        back = new Map(answer.touched.map((t) => [t.seriesId, t.version]));
      },
      {
        redo:
          again &&
          (async () => {
            now = (await again(back)).touched;
          }),
        calls: () => [wayBack('takeBackChange', { body: { touched: now } })],
      },
    );
  };

  /** Sends changes and offers to take them back; gives what went wrong, if anything. */
  const change = async (changes: Changes, label: string): Promise<Problem | undefined> => {
    const { data, error } = await send({ body: { changes } });
    if (!data) return problemOf(error);
    offerToTakeBack(label, data.touched, (versions) =>
      send({
        body: {
          changes: changes.map((c) => ({ ...c, version: versions.get(c.seriesId) ?? c.version })),
        },
      }).unwrap(),
    );
    return undefined;
  };
  return { change, offerToTakeBack };
}
