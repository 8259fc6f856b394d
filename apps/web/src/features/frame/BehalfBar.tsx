import { useEffect } from 'react';
import type { Problem } from '@glen/contract';
import { backToOneself, behalfNow } from '../../app/behalf.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

/** On whose behalf one acts in this tab, and the way back; `problem`: why what they see cannot be read. */
export function BehalfBar({ problem, me }: { problem: Problem | undefined; me: number }) {
  const behalf = behalfNow();
  // Somebody else has signed in in this tab: what was let was not let them.
  const isOthers = behalf !== null && behalf.by !== me;
  useEffect(() => {
    if (isOthers) backToOneself();
  }, [isOthers]);
  if (!behalf || isOthers) return null;
  const isOver = problem?.status === 403;
  return (
    <p
      role="status"
      className="flex flex-wrap items-center gap-x-4 gap-y-1 bg-gorse-tint px-6 py-1.5 text-gorse-deep print:hidden"
    >
      <span>
        <Said
          as={say.youActFor}
          behalf={<b>{behalf.name}</b>}
          problem={isOver ? problem.title : say.youSeeWhatTheySee}
        />
      </span>
      <button type="button" className="font-semibold underline" onClick={backToOneself}>
        {say.backToYourself}
      </button>
    </p>
  );
}
