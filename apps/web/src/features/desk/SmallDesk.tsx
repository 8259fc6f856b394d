import type { DeskVisitor, Me } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { wallClock } from '../../app/clock.js';
import { Button } from '../../ui/Button.js';
import { Loading, Trouble } from '../../ui/States.js';
import { useTabTitle } from '../../ui/ScreenTitle.js';
import { tabOfDesk, useKnockSignal } from './knock.js';
import { openLabel, useDeskActions, type Desk } from './useDesk.js';
import { useDeskKeys } from './useDeskKeys.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

const NOBODY: DeskVisitor[] = [];

/** What is said of those who come without an account. */
const UNKNOWN: Partial<Record<DeskVisitor['account'], string>> = say.unknown;

interface WaitingProps {
  desk: Desk;
  zone: string;
  letIn: (visitorId: number) => void;
}

function Waiting({ desk, zone, letIn }: WaitingProps) {
  return (
    <>
      <h2 className="mt-3 text-md">
        <Said
          as={say.inTheLobby}
          waitingCount={<span className="text-soft">{desk.waiting.length}</span>}
        />
      </h2>
      {desk.waiting.length === 0 && <p className="text-soft">{say.nobodyKnocks}</p>}
      <ul aria-live="polite">
        {desk.waiting.map((v) => (
          <li key={v.id} className="flex items-center gap-2 border-t border-line py-1.5">
            <span className="min-w-0 flex-1">
              <span className="block font-semibold break-words">{v.name}</span>
              <span className="block text-sm text-soft">
                {[
                  UNKNOWN[v.account],
                  v.onRoll ? say.onTheRoll : say.notOnTheRoll,
                  v.knockedAt && wallClock(v.knockedAt, zone).time,
                ]
                  .filter(Boolean)
                  .join(', ')}
              </span>
            </span>
            <Button onClick={() => letIn(v.id)} aria-label={fill(say.letIn, { name: v.name })}>
              {say.letInShort}
            </Button>
          </li>
        ))}
      </ul>
    </>
  );
}

/** The desk in a window that stays on top: who knocks, and the two buttons that matter while one talks. */
export function SmallDesk({
  me,
  linkId,
  document: own,
}: {
  me: Me;
  linkId: number;
  document: Document;
}) {
  const { data: desk, error, refetch } = api.useDeskQuery({ params: { linkId } });
  const act = useDeskActions(linkId);
  useDeskKeys(desk, act, own);
  if (!desk)
    return error ? (
      <Trouble problem={problemOf(error)} retry={() => void refetch()} />
    ) : (
      <Loading lines={3} />
    );
  const ofRoll = desk.waiting.filter((v) => v.onRoll).length;
  return (
    <main className="min-h-dvh bg-paper p-3.5 text-md text-ink">
      <h1 className="text-base">{desk.title}</h1>
      <p className="text-sm text-soft">
        {fill(say.insideMissing, {
          insideCount: desk.inside.length,
          missingCount: desk.missing.length,
        })}
      </p>
      <Waiting desk={desk} zone={me.school.zone} letIn={act.letIn} />
      <div className="mt-3 grid gap-2">
        {ofRoll > 0 && (
          <Button kind="act" onClick={() => act.letAllIn('roll')}>
            {fill(say.letTheRollIn, { ofRoll })}
          </Button>
        )}
        <Button disabled={act.opening} onClick={act.open}>
          {openLabel(desk)}
        </Button>
      </div>
      <p className="mt-3 text-sm text-soft">
        <kbd className="font-mono">i</kbd> {say.nextOneIn} <kbd className="font-mono">a</kbd>{' '}
        {say.allOfTheRoll}
      </p>
    </main>
  );
}

/** The same as a narrow window of its own, where no window can be kept on top. */
export default function SmallDeskPage({ me, linkId }: { me: Me; linkId: number }) {
  const { data: desk } = api.useDeskQuery({ params: { linkId } });
  useKnockSignal(desk?.waiting ?? NOBODY, desk?.title ?? '');
  useTabTitle(desk ? tabOfDesk(desk) : say.desk);
  return <SmallDesk me={me} linkId={linkId} document={document} />;
}
