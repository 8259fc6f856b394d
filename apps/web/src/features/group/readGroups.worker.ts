import { decodeText, readGroups, type ReadGroups, type RollPerson } from '@glen/core/groups';
import { GlenInputError } from '@glen/core/groups';
import * as say from './words.js';

export interface Ask {
  bytes: ArrayBuffer;
  roll: RollPerson[];
}
export type Told = { read: ReadGroups } | { wrong: string };

/** Reads a file of groups beside the page, so that a large one does not hold it up. */
self.onmessage = ({ data: { bytes, roll } }: MessageEvent<Ask>): void => {
  const tell = (told: Told): void => self.postMessage(told);
  try {
    tell({ read: readGroups(decodeText(new Uint8Array(bytes)), roll) });
  } catch (error) {
    tell({
      wrong: error instanceof GlenInputError ? error.message : say.thisFileCannotBeRead,
    });
  }
};
