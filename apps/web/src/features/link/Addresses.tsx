import { useState } from 'react';
import { dateInWords, spellCode } from '@glen/core';
import type { LinkDetail, Problem } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { wallClock } from '../../app/clock.js';
import { offerUndo } from '../../app/undo.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { ByPhone } from './ByPhone.js';
import { ReplaceLink } from './ReplaceLink.js';
import type { Stand } from './Stands.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

type Former = LinkDetail['former'][number];

const WHY_REPLACED: Record<Former['why'], string> = say.whyReplaced;

function formerInWords(f: Former, now: string, zone: string): string {
  if (f.how === 'keep') return say.worksLikeTheNewOne;
  if (f.how === 'stop') return 'stopped';
  const { date } = wallClock(f.until!, zone);
  return f.until! > now
    ? fill(say.leadsOnUntil, { date: dateInWords(date) })
    : fill(say.ledOnUntil, { date: dateInWords(date) });
}

/** The codes that a link had before, and what has become of each. */
function FormerCodes({ former, now, zone }: { former: Former[]; now: string; zone: string }) {
  if (former.length === 0) return null;
  return (
    <ul className="mt-2 text-md">
      {former.map((f) => (
        <li key={f.code} className="flex flex-wrap gap-x-3 border-t border-line py-1.5">
          <code className="font-mono text-soft">{`/door/${f.code}`}</code>
          <span>{formerInWords(f, now, zone)}</span>
          <span className="text-soft">
            {WHY_REPLACED[f.why]}, {dateInWords(wallClock(f.replacedAt, zone).date)}
            {f.by && `, ${f.by}`}
          </span>
        </li>
      ))}
    </ul>
  );
}

/** Replacing, taking that back, stopping, and letting it work again. */
function LinkActions({
  link,
  onReplace,
  onProblem,
}: {
  link: LinkDetail;
  onReplace: () => void;
  onProblem: (problem: Problem | undefined) => void;
}) {
  const [stop] = api.useStopLinkMutation();
  const [reopen] = api.useReopenLinkMutation();
  const [takeBack] = api.useTakeBackReplacingMutation();
  const params = { linkId: link.id };
  const turn = async (
    work: typeof stop | typeof reopen,
    done: string,
    back: typeof stop | typeof reopen,
  ): Promise<void> => {
    onProblem(undefined);
    const { data, error } = await work({ params, body: { version: link.version } });
    if (!data) return onProblem(problemOf(error));
    offerUndo(done, () => back({ params, body: { version: data.version } }).unwrap());
  };
  return (
    <p className="mt-3 flex flex-wrap gap-2.5">
      {link.state === 'live' && <Button onClick={onReplace}>{say.replaceTheLinkDots}</Button>}
      {link.mayTakeBack && (
        <Button
          onClick={() =>
            void takeBack({ params, body: { version: link.version } }).then(({ error }) =>
              onProblem(problemOf(error)),
            )
          }
        >
          {say.undoTheLastReplacement}
        </Button>
      )}
      {link.state === 'live' ? (
        <Button kind="danger" onClick={() => void turn(stop, say.theLinkHasBeenStopped, reopen)}>
          {say.stopTheLink}
        </Button>
      ) : (
        <Button kind="act" onClick={() => void turn(reopen, say.theLinkWorksAgain, stop)}>
          {say.letTheLinkWorkAgain}
        </Button>
      )}
    </p>
  );
}

interface AddressesProps {
  link: LinkDetail;
  places: Stand[];
  zone: string;
  now: string;
  replacing: boolean;
  setReplacing: (on: boolean) => void;
}

/** The address a link goes by, how to read it out, those it had before, and what can be done with them. */
export function Addresses(props: AddressesProps) {
  const { link, places, zone, now, replacing, setReplacing } = props;
  const [problem, setProblem] = useState<Problem>();
  const { word, groups } = spellCode(link.code);
  return (
    <>
      <p>
        <span className="font-mono break-all">{link.address}</span>
      </p>
      <p className="mt-1 text-md text-soft">
        <Said
          as={say.toReadItOutThen}
          word={<b className="text-ink">{word}</b>}
          groups={groups.map((g) => g.join(' ')).join(', ')}
          what={(text) => <span className="font-mono">{text}</span>}
        />
      </p>
      {link.state === 'live' && <ByPhone linkId={link.id} />}
      <FormerCodes former={link.former} now={now} zone={zone} />
      {replacing && (
        <ReplaceLink
          link={link}
          places={places}
          today={wallClock(now, zone).date}
          onDone={() => setReplacing(false)}
        />
      )}
      {problem && <FieldError>{problem.errors?.[0]?.message ?? problem.title}</FieldError>}
      {link.mayEdit && !replacing && (
        <LinkActions link={link} onReplace={() => setReplacing(true)} onProblem={setProblem} />
      )}
    </>
  );
}
