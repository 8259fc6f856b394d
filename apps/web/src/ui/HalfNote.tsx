import { Button } from './Button.js';
import * as say from './words.js';

/** Above a form that comes back as it was left, with the way to begin it anew. */
export function HalfNote({ onThrowAway }: { onThrowAway: () => void }) {
  return (
    <p
      role="status"
      className="mb-4 flex flex-wrap items-center gap-x-3 rounded-small bg-loch-tint px-3 py-2 text-loch-deep"
    >
      {say.youHadBegunThis}
      <Button kind="link" onClick={onThrowAway}>
        {say.throwItAway}
      </Button>
    </p>
  );
}
