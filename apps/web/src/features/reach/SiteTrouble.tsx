import { fill } from '../../ui/fill.js';
import * as say from './words.js';
/** The course site could not be asked; what is shown is older. */
export const SiteTrouble = ({ trouble }: { trouble: string | null }) =>
  trouble && (
    <p role="status" className="mb-3 rounded-small bg-gorse-tint p-3 text-gorse-deep">
      {fill(say.thisIsWhatItLast, { trouble })}
    </p>
  );
