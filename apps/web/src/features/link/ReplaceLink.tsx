import { addDays } from '@glen/core';
import type { LinkDetail } from '@glen/contract';
import { api } from '../../app/api.js';
import { offerWayBack } from '../../app/undo.js';
import { wayBack } from '../../app/wayBack.js';
import { useServerForm } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { DateField } from '../../ui/DateField.js';
import { FieldError } from '../../ui/Field.js';
import { ChoicePart } from '../../ui/choices.js';
import type { Stand } from './Stands.js';

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
type Why = keyof typeof WHYS;
type How = keyof typeof HOWS;

/** What becomes of a link that leaked is another matter than one that is tidied up. */
const USUAL: Record<Why, How> = {
  leaked: 'stop',
  'tidy-up': 'forward',
  'new-year': 'forward',
  other: 'forward',
};

const FOLLOWERS: Record<How, string> = {
  stop: 'Whoever follows the old one is told that it has stopped; its own audience is told where to look.',
  forward:
    'Until then whoever follows the old one comes to the same door; after it they are told where to look.',
  keep: 'Whoever follows the old one comes to the same door, for good.',
};

/** How long the old one leads on, beside its sentence. */
const USUAL_DAYS = 14;

interface Wish {
  why: Why;
  how: How;
  until: string;
}

function useReplacing(link: LinkDetail, today: string, onDone: () => void) {
  const [replace] = api.useReplaceLinkMutation();
  const params = { linkId: link.id };
  return useServerForm<Wish, Wish, LinkDetail>({
    start: { why: 'tidy-up', how: USUAL['tidy-up'], until: addDays(today, USUAL_DAYS) },
    send: ({ why, how, until }) =>
      replace({
        params,
        body: { version: link.version, why, how, ...(how === 'forward' ? { until } : {}) },
      }),
    onDone: (replaced) => {
      onDone();
      const body = { version: replaced.version };
      offerWayBack(`The link is now /door/${replaced.code}.`, [
        wayBack('takeBackReplacing', { params, body }),
      ]);
    },
  });
}

/** Why it is replaced, and what becomes of the old one. */
function Sentence({
  wish: { why, how, until },
  isWrong,
  onChange,
}: {
  wish: Wish;
  isWrong: boolean;
  onChange: (part: Partial<Wish>) => void;
}) {
  return (
    <p className="text-lg leading-sentence">
      Give it a new address, because{' '}
      <ChoicePart
        label="Why"
        value={why}
        onChange={(v) => onChange({ why: v as Why, how: USUAL[v as Why] })}
        choices={Object.entries(WHYS).map(([value, label]) => ({ value, label }))}
      />
      . The old one{' '}
      <ChoicePart
        label="What becomes of the old one"
        value={how}
        onChange={(v) => onChange({ how: v as How })}
        choices={Object.entries(HOWS).map(([value, label]) => ({ value, label }))}
      />
      {how === 'forward' && (
        <>
          , until{' '}
          <DateField
            aria-label="Until"
            dress="part"
            value={until}
            invalid={isWrong}
            onChange={(day) => onChange({ until: day })}
          />
        </>
      )}
      .
    </p>
  );
}

/** What replacing will do, before it is done. */
function Effects({ link, places, how }: { link: LinkDetail; places: Stand[]; how: How }) {
  const readers = places.filter((s) => s.state === 'out').reduce((n, s) => n + s.readers, 0);
  return (
    <ul className="mt-1 list-disc pl-5 text-md text-soft">
      {places.length === 0 ? (
        <li>Glen has put it nowhere itself. What you have pasted by hand keeps the old address.</li>
      ) : (
        <li>
          {places.map((s) => s.place).join(', ')}:{' '}
          {readers > 0 ? `${readers} students see the old one there today; ` : ''}Glen puts the new
          one there by itself.
        </li>
      )}
      <li>{FOLLOWERS[how]}</li>
      {link.running && <li>A session is running: whoever is inside stays.</li>}
      <li>Sessions, people, rules and placements stay with the door.</li>
    </ul>
  );
}

/** Gives a link a new address; `today` is a local date. */
export function ReplaceLink({
  link,
  places,
  today,
  onDone,
}: {
  link: LinkDetail;
  places: Stand[];
  today: string;
  onDone: () => void;
}) {
  const form = useReplacing(link, today, onDone);
  const wish = form.watch();
  const wrong = form.errorAt('until');
  const stale = form.theirs
    ? 'Somebody changed this link just now; look again and press once more.'
    : undefined;
  const message = wrong ?? stale ?? form.problem?.title;
  return (
    <section
      aria-label="Replace the link"
      className="mt-3 rounded-big border border-line bg-sheet p-4 shadow-soft"
    >
      <form noValidate onSubmit={form.submit}>
        <Sentence wish={wish} isWrong={wrong !== undefined} onChange={form.change} />
        <Effects link={link} places={places} how={wish.how} />
        {message && <FieldError>{message}</FieldError>}
        <p className="mt-3 flex gap-2.5">
          <Button type="submit" kind="act" disabled={form.isSending}>
            Replace it
          </Button>
          <Button onClick={onDone}>Leave it</Button>
        </p>
      </form>
    </section>
  );
}
