import { Button } from '../../ui/Button.js';
import type { Touched } from './useLeaving.js';

interface LeaveProps {
  name: string;
  touched: Touched;
  onTakeOff: () => void;
  onClose: () => void;
}

function endsInWords({ groups, links }: Touched): string {
  const parts = [
    ...groups.map((g) => `their place in ${g.name}`),
    ...links.map((l) => `“${l.label}”, a link that is for them`),
  ];
  return `With that ends ${parts.join(' and ')}.`;
}

/** What taking somebody off the roll ends, said before it is done. */
export const LeaveRoll = ({ name, touched, onTakeOff, onClose }: LeaveProps) => (
  <div role="group" aria-label={`Taking ${name} off`} className="rounded-small bg-gorse-tint p-3">
    <p className="text-md text-gorse-deep">
      {endsInWords(touched)} Brought back, they have it again.
    </p>
    <p className="mt-2 flex flex-wrap gap-3">
      <Button onClick={onTakeOff}>Take them off</Button>
      <Button onClick={onClose}>Leave it</Button>
    </p>
  </div>
);
