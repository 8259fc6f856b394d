import { toast } from '../ui/toast.js';
import * as say from './words.js';

/** Writes to the clipboard, and says that it is done, or that it could not be. */
export async function copying(write: () => Promise<void>, done: string): Promise<void> {
  try {
    await write();
    toast(done);
  } catch {
    toast.error(say.theBrowserDidNotAllow);
  }
}

export const copyText = (text: string, done: string): Promise<void> =>
  copying(() => navigator.clipboard.writeText(text), done);
