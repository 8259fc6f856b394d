import { useState } from 'react';
import { addDays, dateInWords, spellCode } from '@glen/core';
import type { LinkDetail, Problem } from '@glen/contract';
import { api, messageFor, problemOf } from '../../app/api.js';
import { wallClock } from '../../app/clock.js';
import { offerUndo } from '../../app/undo.js';
import { Button } from '../../ui/Button.js';
import { FieldError, inputClass } from '../../ui/Field.js';
import { ChoicePart } from '../../ui/SentencePart.js';

const WHYS = {
  leaked: 'it got into the wrong hands',
  'tidy-up': 'I am tidying up',
  'new-year': 'a new year begins',
  other: 'another reason',
} as const;
const HOWS = {
  stop: 'stops at once',
  forward: 'leads on to the new one for a while',
  keep: 'keeps working',
} as const;
const WAS: Record<keyof typeof WHYS, string> = {
  leaked: 'leaked',
  'tidy-up': 'tidied up',
  'new-year': 'new year',
  other: 'replaced',
};
type Why = keyof typeof WHYS;
type How = keyof typeof HOWS;

/** What becomes of a link that leaked is another matter than one that is tidied up. */
const USUAL: Record<Why, How> = {
  leaked: 'stop',
  'tidy-up': 'forward',
  'new-year': 'forward',
  other: 'forward',
};

function Replace({ link, today, onDone }: { link: LinkDetail; today: string; onDone: () => void }) {
  const [replace, { isLoading }] = api.useReplaceLinkMutation();
  const [takeBack] = api.useTakeBackReplacingMutation();
  const [why, setWhy] = useState<Why>('tidy-up');
  const [how, setHow] = useState<How>(USUAL['tidy-up']);
  const [until, setUntil] = useState(addDays(today, 14));
  const [problem, setProblem] = useState<Problem>();
  const go = async (): Promise<void> => {
    setProblem(undefined);
    const { data, error } = await replace({
      params: { linkId: link.id },
      body: { version: link.version, why, how, ...(how === 'forward' ? { until } : {}) },
    });
    if (!data) return setProblem(problemOf(error));
    onDone();
    offerUndo(`The link is now /door/${data.code}.`, () =>
      takeBack({ params: { linkId: link.id }, body: { version: data.version } }).unwrap(),
    );
  };
  const readers = link.stands.filter((s) => s.state === 'out').reduce((n, s) => n + s.readers, 0);
  return (
    <section
      aria-label="Replace the link"
      className="mt-3 rounded-big border border-line bg-sheet p-4 shadow-soft"
    >
      <p className="text-[17px] leading-[2.2]">
        Give it a new address, because{' '}
        <ChoicePart
          label="Why"
          value={why}
          onChange={(v) => {
            setWhy(v as Why);
            setHow(USUAL[v as Why]);
          }}
          choices={Object.entries(WHYS).map(([value, label]) => ({ value, label }))}
        />
        . The old one{' '}
        <ChoicePart
          label="What becomes of the old one"
          value={how}
          onChange={(v) => setHow(v as How)}
          choices={Object.entries(HOWS).map(([value, label]) => ({ value, label }))}
        />
        {how === 'forward' && (
          <>
            , until{' '}
            <input
              type="date"
              aria-label="Until"
              className={`${inputClass} !inline-block !w-auto !py-1`}
              aria-invalid={messageFor(problem, 'until') !== undefined}
              value={until}
              onChange={(e) => setUntil(e.target.value)}
            />
          </>
        )}
        .
      </p>
      <ul className="mt-1 list-disc pl-5 text-[15px] text-soft">
        {link.stands.length === 0 ? (
          <li>
            Glen has put it nowhere itself. What you have pasted by hand keeps the old address.
          </li>
        ) : (
          <li>
            {link.stands.map((s) => s.place).join(', ')}:{' '}
            {readers > 0 ? `${readers} students see the old one there today; ` : ''}Glen puts the
            new one there by itself.
          </li>
        )}
        <li>
          {how === 'stop'
            ? 'Whoever follows the old one is told that it has stopped; its own audience is told where to look.'
            : how === 'forward'
              ? 'Until then whoever follows the old one comes to the same door; after it they are told where to look.'
              : 'Whoever follows the old one comes to the same door, for good.'}
        </li>
        {link.running && <li>A session is running: whoever is inside stays.</li>}
        <li>Sessions, people, rules and placements stay with the door.</li>
      </ul>
      {problem && (
        <FieldError>
          {messageFor(problem, 'until') ??
            (problem.status === 409
              ? 'Somebody changed this link just now; look again and press once more.'
              : (problem.errors?.[0]?.message ?? problem.title))}
        </FieldError>
      )}
      <p className="mt-3 flex gap-2.5">
        <Button kind="act" disabled={isLoading} onClick={() => void go()}>
          Replace it
        </Button>
        <Button onClick={onDone}>Leave it</Button>
      </p>
    </section>
  );
}

function formerInWords(f: LinkDetail['former'][number], now: string, zone: string): string {
  if (f.how === 'keep') return 'works like the new one';
  if (f.how === 'stop') return 'stopped';
  const { date } = wallClock(f.until!, zone);
  return f.until! > now
    ? `leads on until ${dateInWords(date)}`
    : `led on until ${dateInWords(date)}`;
}

/** The address a link goes by, how to read it out, those it had before, and what can be done with them. */
export function Addresses({
  link,
  zone,
  now,
  replacing,
  setReplacing,
}: {
  link: LinkDetail;
  zone: string;
  now: string;
  replacing: boolean;
  setReplacing: (on: boolean) => void;
}) {
  const [stop] = api.useStopLinkMutation();
  const [reopen] = api.useReopenLinkMutation();
  const [takeBack] = api.useTakeBackReplacingMutation();
  const [problem, setProblem] = useState<Problem>();
  const params = { linkId: link.id };
  const { word, groups } = spellCode(link.code);
  const turn = async (
    work: typeof stop | typeof reopen,
    said: string,
    back: typeof stop | typeof reopen,
  ): Promise<void> => {
    setProblem(undefined);
    const { data, error } = await work({ params, body: { version: link.version } });
    if (!data) return setProblem(problemOf(error));
    offerUndo(said, () => back({ params, body: { version: data.version } }).unwrap());
  };
  return (
    <>
      <p>
        <span className="font-mono break-all">{link.address}</span>
      </p>
      <p className="mt-1 text-[15px] text-soft">
        To read it out: <b className="text-ink">{word}</b>, then{' '}
        {groups.map((g) => g.join(' ')).join(', ')}. Typed at{' '}
        <span className="font-mono">/door</span>, capitals and spaces do not matter.
      </p>
      {link.former.length > 0 && (
        <ul className="mt-2 text-[15px]">
          {link.former.map((f) => (
            <li key={f.code} className="flex flex-wrap gap-x-3 border-t border-line py-1.5">
              <code className="font-mono text-soft">/door/{f.code}</code>
              <span>{formerInWords(f, now, zone)}</span>
              <span className="text-soft">
                {WAS[f.why]}, {dateInWords(wallClock(f.replacedAt, zone).date)}
                {f.by && `, ${f.by}`}
              </span>
            </li>
          ))}
        </ul>
      )}
      {replacing && (
        <Replace link={link} today={wallClock(now, zone).date} onDone={() => setReplacing(false)} />
      )}
      {problem && <FieldError>{problem.errors?.[0]?.message ?? problem.title}</FieldError>}
      {link.mayEdit && !replacing && (
        <p className="mt-3 flex flex-wrap gap-2.5">
          {link.state === 'live' && (
            <Button onClick={() => setReplacing(true)}>Replace the link…</Button>
          )}
          {link.mayTakeBack && (
            <Button
              onClick={() =>
                void takeBack({ params, body: { version: link.version } }).then(({ error }) =>
                  setProblem(problemOf(error)),
                )
              }
            >
              Take the last replacing back
            </Button>
          )}
          {link.state === 'live' ? (
            <Button
              kind="danger"
              onClick={() => void turn(stop, 'The link has been stopped.', reopen)}
            >
              Stop it
            </Button>
          ) : (
            <Button kind="act" onClick={() => void turn(reopen, 'The link works again.', stop)}>
              Let it work again
            </Button>
          )}
        </p>
      )}
    </>
  );
}
