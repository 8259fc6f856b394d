import type { Landing } from './landing.js';
import * as say from '../words.js';

const COLOUR: Record<Landing['tone'], string> = {
  well: 'text-moss-deep',
  careful: 'text-gorse-deep',
  wrong: 'text-berry-deep',
};

/** Where a carried session would land, and what it would meet there. */
export function LandingWords({ landing, byKeys }: { landing: Landing; byKeys: boolean }) {
  return (
    <span className={COLOUR[landing.tone]}>
      {landing.text} {byKeys ? say.enterPutsItDownEscape : ''}
    </span>
  );
}
