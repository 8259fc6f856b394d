import { Button } from '../../ui/Button.js';
import type { Touched } from './useLeaving.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

interface LeaveProps {
  name: string;
  touched: Touched;
  onTakeOff: () => void;
  onClose: () => void;
}

function endsInWords({ groups, links }: Touched): string {
  const parts = [
    ...groups.map((g) => fill(say.theirPlaceIn, { name: g.name })),
    ...links.map((l) => fill(say.aLink, { label: l.label })),
  ];
  return fill(say.withThatEnds, { parts: parts.join(' and ') });
}

/** What taking somebody off the roll ends, said before it is done. */
export const LeaveRoll = ({ name, touched, onTakeOff, onClose }: LeaveProps) => (
  <div
    role="group"
    aria-label={fill(say.takingOff, { name })}
    className="rounded-small bg-gorse-tint p-3"
  >
    <p className="text-md text-gorse-deep">
      {fill(say.broughtBackTheyHaveIt, { ends: endsInWords(touched) })}
    </p>
    <p className="mt-2 flex flex-wrap gap-3">
      <Button onClick={onTakeOff}>{say.takeThemOff}</Button>
      <Button onClick={onClose}>{say.leaveIt}</Button>
    </p>
  </div>
);
