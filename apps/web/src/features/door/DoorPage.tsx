import { useEffect, useRef, useState } from 'react';
import { Link, useParams } from 'react-router';
import { addMinutes, dateInWords } from '@glen/core/light';
import type { Answer, Me, Problem } from '@glen/contract';
import { api, messageFor, problemOf } from '../../app/api.js';
import { timeUntil, useNow, wallClock } from '../../app/clock.js';
import { restartLive, watchDoor } from '../../app/live.js';
import { Button, buttonClass } from '../../ui/Button.js';
import { Field, FieldError, inputClass } from '../../ui/Field.js';
import { Pennant } from '../../ui/Pennant.js';
import { Loading } from '../../ui/States.js';
import { kindInWords } from '../accounts/AccountMenu.js';
import { DemoPeople, SignInForm } from '../accounts/SignIn.js';
import { TypeCode } from './TypeCode.js';
import { useKept } from './useKept.js';
import { doorWords, goesOnByItself } from '../entry/doorWords.js';

type Door = Answer<'door'>;

/** A look now and then, for what no event tells (a host's three minutes of grace running out). */
const LOOK_AGAIN_MS = 20000;

/** Which account stands at the door, and a way to another without losing the link. */
function Accounts({ me, door }: { me: Me; door: Door }) {
  const [switchTo] = api.useSwitchAccountMutation();
  const [other, setOther] = useState(false);
  const { reason } = door.decision;
  const asks = reason === 'sign-in' || reason === 'use-school-account';
  const others = me.accounts.filter((a) => a.id !== me.account?.id);
  return (
    <section aria-label="Your account" className="mt-5 border-t border-line pt-4">
      {me.account ? (
        <p>
          You are <b>{me.person?.name}</b>,{' '}
          <span className="whitespace-nowrap">{kindInWords(me.account.kind)}</span>
          <br />
          <span className="text-sm break-all text-soft">{me.account.email}</span>
        </p>
      ) : (
        <p>You are not signed in.</p>
      )}
      <div className="mt-2 flex flex-wrap gap-2">
        {others.map((a) => (
          <Button
            key={a.id}
            kind={asks && a.kind === 'school' ? 'act' : 'plain'}
            className="max-w-full"
            onClick={() => void switchTo({ body: { accountId: a.id } }).then(restartLive)}
          >
            <span className="truncate">Use {a.email}</span>
          </Button>
        ))}
        {!other && !(asks && others.length === 0) && (
          <Button kind="link" onClick={() => setOther(true)}>
            {me.account ? 'Use another account' : 'Sign in'}
          </Button>
        )}
      </div>
      {(other || (asks && others.length === 0)) && (
        <div className="mt-4 grid gap-6">
          <SignInForm onDone={() => setOther(false)} />
          {me.demo && <DemoPeople onDone={() => setOther(false)} />}
        </div>
      )}
    </section>
  );
}

function Times({ door, zone }: { door: Door; zone: string }) {
  const s = door.session;
  if (!s) return null;
  const here = Intl.DateTimeFormat().resolvedOptions().timeZone;
  const local = here === zone ? null : wallClock(s.start, here);
  return (
    <p className="mt-1 text-soft">
      <span className="font-mono text-ink">
        {dateInWords(s.date)}, {s.time}–{addMinutes(s.time, s.minutes)}
      </span>
      <br />
      <span className="text-sm">School time, {zone}</span>
      {local && (local.time !== s.time || local.date !== s.date) && (
        <>
          <br />
          On your clock: {dateInWords(local.date)}, {local.time}
        </>
      )}
    </p>
  );
}

/** Why somebody stands at another door than the one whose link they followed. */
function cameInWords(door: Door, zone: string): string {
  if (door.came!.by === 'together')
    return `Your class meets at this door today, together with ${door.classTitle}.`;
  return door.came!.until === null
    ? 'Your link was replaced; it leads here all the same.'
    : `Your link was replaced. It leads here until ${dateInWords(wallClock(door.came!.until, zone).date)}; keep the new one, in the address above.`;
}

function Standing({
  me,
  code,
  door,
  onBack,
}: {
  me: Me;
  code: string;
  door: Door;
  onBack: () => void;
}) {
  const now = useNow();
  const zone = me.school.zone;
  const [enter, { isLoading }] = api.useEnterDoorMutation();
  const [problem, setProblem] = useState<Problem>();
  const [gone, setGone] = useState(false);
  const [name, setName] = useKept(`name:${code}`);
  const [entryCode, setEntryCode] = useKept(`entry-code:${code}`);
  const [codeSaid, setCodeSaid] = useState<string>();
  const waited = useRef(false);
  const { decision } = door;
  const asksCode = decision.reason === 'code-needed' || decision.reason === 'code-wrong';
  const asksName =
    me.account === null &&
    (decision.outcome === 'enter' || decision.outcome === 'lobby' || asksCode);
  const opens = decision.until ? wallClock(decision.until, zone) : null;
  const words = doorWords(
    door,
    opens
      ? opens.date === wallClock(now, zone).date
        ? opens.time
        : `${opens.time} on ${dateInWords(opens.date)}`
      : null,
  );

  const go = async (): Promise<void> => {
    setProblem(undefined);
    setCodeSaid(undefined);
    const { data, error } = await enter({
      params: { code },
      body: { ...(name ? { name } : {}), ...(entryCode ? { entryCode } : {}) },
    });
    if (error) return setProblem(problemOf(error));
    if (data.go) {
      setGone(true);
      window.location.assign(data.go);
    } else if (data.decision.reason === 'code-wrong' || data.decision.reason === 'code-needed')
      setCodeSaid('That code does not fit. Compare it with what was sent with the link.');
  };

  // Coming back by the browser's own button finds the page as it was left: then it is a door again.
  useEffect(() => {
    const back = (event: PageTransitionEvent): void => {
      if (event.persisted) {
        setGone(false);
        onBack();
      }
    };
    window.addEventListener('pageshow', back);
    return () => window.removeEventListener('pageshow', back);
  }, [onBack]);

  // Whoever waited here goes on without another press: when it opens, when a host comes, when let in.
  const ready = decision.outcome === 'enter' || (decision.outcome === 'lobby' && !door.knocked);
  useEffect(() => {
    if (goesOnByItself(decision.reason) || door.knocked) waited.current = true;
    else if (ready && waited.current && !gone && me.account) {
      waited.current = false;
      void go();
    }
  });

  return (
    <>
      <div className="flex items-center gap-3.5">
        <Pennant pennant={door.pennant} size="large" />
        <div className="min-w-0">
          <p className="text-sm text-soft">{me.school.name}</p>
          <h1 className="text-xl break-words">{door.title}</h1>
        </div>
      </div>
      <p className="mt-2 text-soft">
        {door.title === door.classTitle ? '' : `${door.classTitle} · `}with {door.host}
      </p>
      <Times door={door} zone={zone} />
      {door.came && door.decision.reason !== 'link-retired' && (
        <p className="mt-4 rounded-small bg-loch-tint px-3 py-2 text-loch-deep">
          {cameInWords(door, zone)}
        </p>
      )}
      <section aria-live="polite" className="mt-5 rounded-big bg-shade p-4">
        <h2 className="text-lg">{gone ? 'Going in…' : words.title}</h2>
        <p className="mt-1">{gone ? 'If nothing happens, go in once more.' : words.text}</p>
        {decision.until && (
          <p className="mt-3 font-mono text-3xl" aria-label="Time until the door opens">
            {timeUntil(decision.until, now)}
          </p>
        )}
        {door.elsewhere && (
          <p className="mt-3">
            <Link className={buttonClass('act')} to={`/door/${door.elsewhere.code}`}>
              To that door
            </Link>
          </p>
        )}
        {decision.outcome === 'refused' && decision.reason !== 'code-needed' && codeSaid && (
          <FieldError>{codeSaid}</FieldError>
        )}
      </section>
      <form
        className="mt-4 grid gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          void go();
        }}
      >
        {asksName && (
          <Field label="Your name" hint="The host sees it." error={messageFor(problem, 'name')}>
            {(p) => (
              <input
                {...p}
                className={inputClass}
                maxLength={80}
                autoComplete="name"
                value={name}
                onChange={(e) => setName(e.target.value)}
              />
            )}
          </Field>
        )}
        {asksCode && (
          <Field label="Entry code" error={codeSaid ?? messageFor(problem, 'entryCode')}>
            {(p) => (
              <input
                {...p}
                className={inputClass}
                maxLength={60}
                autoComplete="off"
                value={entryCode}
                onChange={(e) => setEntryCode(e.target.value)}
              />
            )}
          </Field>
        )}
        {(ready || asksCode) && (
          <Button type="submit" kind="act" className="w-full !py-3 !text-base" disabled={isLoading}>
            {decision.outcome === 'lobby' ? 'Knock' : 'Go in'}
          </Button>
        )}
        {(ready || asksCode) && (
          <p className="text-sm text-soft">
            Camera and microphone are off until you switch them on inside.
          </p>
        )}
        {problem && !messageFor(problem, 'name') && (
          <FieldError>{problem.errors?.[0]?.message ?? problem.title}</FieldError>
        )}
      </form>
      <Accounts me={me} door={door} />
      <p className="mt-5">
        <Link className="text-loch-deep underline" to={`/door/${door.code}/how`}>
          How to get in, step by step
        </Link>
      </p>
    </>
  );
}

/** The door: what a visitor meets behind a link, on any phone. */
export default function DoorPage({ me }: { me: Me }) {
  const code = useParams().code ?? '';
  const { data, error, refetch } = api.useDoorQuery(
    { params: { code } },
    { pollingInterval: LOOK_AGAIN_MS },
  );
  const now = useNow();
  const problem = problemOf(error);
  const until = data?.decision.until;
  const title = data?.title;
  useEffect(() => {
    document.title = title === undefined ? 'Glen' : `${title} · the door`;
  }, [title]);
  // The door hears of itself by the code it goes by now, and that is the address to keep.
  const current = data?.code ?? code;
  useEffect(() => watchDoor(current), [current]);
  const isFormer =
    data?.came?.by === 'replaced' && data.code !== code && data.decision.reason !== 'link-retired';
  useEffect(() => {
    if (isFormer) window.history.replaceState(window.history.state, '', `/door/${current}`);
  }, [isFormer, current]);
  // The moment it opens is known beforehand: ask then.
  const isDue = until !== undefined && until <= now;
  useEffect(() => {
    if (isDue) void refetch();
  }, [isDue, now, refetch]);
  return (
    <main id="main" className="mx-auto min-h-dvh max-w-md px-5 py-7">
      {!data && problem ? (
        <>
          <h1 className="text-2xl">
            {problem.status === 404
              ? 'No door has this code'
              : problem.status === 429
                ? 'Too many tries'
                : 'The door cannot be reached'}
          </h1>
          <p className="mt-2 text-soft">{problem.detail ?? problem.title}</p>
          {problem.status === 404 ? (
            <TypeCode start={code} />
          ) : (
            <Button className="mt-4" onClick={() => void refetch()}>
              Try again
            </Button>
          )}
        </>
      ) : data ? (
        <Standing
          key={me.account?.id ?? 'nobody'}
          me={me}
          code={code}
          door={data}
          onBack={() => void refetch()}
        />
      ) : (
        <Loading lines={4} />
      )}
    </main>
  );
}
