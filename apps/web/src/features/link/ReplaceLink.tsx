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
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

const WHYS = {
  leaked: say.itGotIntoTheWrong,
  'tidy-up': say.iAmTidyingUp,
  'new-year': say.aNewYearBegins,
  other: say.anotherReason,
} as const;
const HOWS = {
  stop: say.stopsAtOnce,
  forward: say.leadsOnToTheNew,
  keep: say.keepsWorking,
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

const FOLLOWERS: Record<How, string> = say.followers;

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
      offerWayBack(fill(say.theLinkIsNow, { code: replaced.code }), [
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
      <Said
        as={how === 'forward' ? say.giveItANewAddressUntil : say.giveItANewAddress}
        why={
          <ChoicePart
            label={say.why}
            value={why}
            onChange={(v) => onChange({ why: v as Why, how: USUAL[v as Why] })}
            choices={Object.entries(WHYS).map(([value, label]) => ({ value, label }))}
          />
        }
        becomesOld={
          <ChoicePart
            label={say.whatBecomesOfTheOld}
            value={how}
            onChange={(v) => onChange({ how: v as How })}
            choices={Object.entries(HOWS).map(([value, label]) => ({ value, label }))}
          />
        }
        until={
          <DateField
            aria-label={say.until}
            dress="part"
            value={until}
            invalid={isWrong}
            onChange={(day) => onChange({ until: day })}
          />
        }
      />
    </p>
  );
}

/** What replacing will do, before it is done. */
function Effects({ link, places, how }: { link: LinkDetail; places: Stand[]; how: How }) {
  const readers = places.filter((s) => s.state === 'out').reduce((n, s) => n + s.readers, 0);
  return (
    <ul className="mt-1 list-disc pl-5 text-md text-soft">
      {places.length === 0 ? (
        <li>{say.glenHasPutItNowhere}</li>
      ) : (
        <li>
          {fill(readers > 0 ? say.glenPutsTheNewOneRead : say.glenPutsTheNewOne, {
            places: places.map((s) => s.place).join(', '),
            readers,
          })}
        </li>
      )}
      <li>{FOLLOWERS[how]}</li>
      {link.running && <li>{say.aSessionIsRunningWhoever}</li>}
      <li>{say.sessionsPeopleRulesAndPlacements}</li>
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
  const stale = form.theirs ? say.somebodyChangedThisLinkJust : undefined;
  const message = wrong ?? stale ?? form.problem?.title;
  return (
    <section
      aria-label={say.replaceTheLink}
      className="mt-3 rounded-big border border-line bg-sheet p-4 shadow-soft"
    >
      <form noValidate onSubmit={form.submit}>
        <Sentence wish={wish} isWrong={wrong !== undefined} onChange={form.change} />
        <Effects link={link} places={places} how={wish.how} />
        {message && <FieldError>{message}</FieldError>}
        <p className="mt-3 flex gap-2.5">
          <Button type="submit" kind="act" disabled={form.isSending}>
            {say.replaceIt}
          </Button>
          <Button onClick={onDone}>{say.leaveIt}</Button>
        </p>
      </form>
    </section>
  );
}
