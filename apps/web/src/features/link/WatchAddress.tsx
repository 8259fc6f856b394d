import { useState } from 'react';
import type { Answer, Problem } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { copyAddress } from './copy.js';
import * as say from './words.js';

interface WatchProps {
  linkId: number;
  guests: Answer<'guests'>;
}

/** The address at which a link can be watched and never joined, and what becomes of it. */
export function WatchAddress({ linkId, guests: { watchAddress, mayWatch } }: WatchProps) {
  const [set, { isLoading }] = api.useSetWatchAddressMutation();
  const [problem, setProblem] = useState<Problem>();
  const give = async (has: boolean): Promise<void> => {
    const { error } = await set({ params: { linkId }, body: { has } });
    setProblem(problemOf(error));
  };
  return (
    <div className={watchAddress ? 'w-full' : ''}>
      {watchAddress ? (
        <p className="flex flex-wrap items-center gap-x-3 gap-y-1">
          <span>{say.toWatchAndNothingElse}</span>
          <code className="font-mono break-all">{watchAddress.replace(/^https?:\/\//, '')}</code>
          <Button kind="link" onClick={() => void copyAddress(watchAddress, say.theAddressToWatch)}>
            {say.copyThisAddress}
          </Button>
          <Button kind="link" disabled={isLoading} onClick={() => void give(true)}>
            {say.makeAnotherInstead}
          </Button>
          <Button kind="link" disabled={isLoading} onClick={() => void give(false)}>
            {say.stopThisAddress}
          </Button>
        </p>
      ) : (
        <Button kind="link" disabled={isLoading} onClick={() => void give(true)}>
          {say.makeAnAddressToWatch}
        </Button>
      )}
      {watchAddress && !mayWatch && <p className="text-gorse-deep">{say.byItsEntryRulesNobody}</p>}
      {problem && <FieldError>{problem.errors?.[0]?.message ?? problem.title}</FieldError>}
    </div>
  );
}
