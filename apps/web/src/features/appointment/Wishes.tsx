import { MOST_WANTED, dateInWords } from '@glen/core/light';
import { api } from '../../app/api.js';
import { useServerForm } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { ChoicePart } from '../../ui/choices.js';
import { FieldError, inputClass } from '../../ui/Field.js';
import { Pennant } from '../../ui/Pennant.js';
import {
  fittedOnPage,
  freeOf,
  type Fitted,
  type Host,
  type OwnEvening,
  type Wish,
} from './fittedOnPage.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

/** So often can one teacher be seen: about two children. */
const MOST_EACH = 2;

/** Why a teacher cannot be seen; null: they can. */
function whyNot(host: Host): string | null {
  if (host.off !== null) return host.off;
  return freeOf(host).length === 0 ? 'full' : null;
}

interface WishProps {
  wish: Fitted;
  onChange: (part: Partial<Wish>) => void;
  onDrop: () => void;
}

/** One wish: about whom, and when. */
function OneWish({ wish, onChange, onDrop }: WishProps) {
  const { host, slot, others, about, nth } = wish;
  const fits = slot ? fill(say.asItFits, { time: slot.time }) : say.noTimeFits;
  return (
    <div className="mt-2 grid gap-2 rounded-small bg-shade p-3">
      <input
        aria-label={fill(say.aboutWhom, { host: host.name })}
        className={inputClass}
        placeholder={say.aboutWhomSuchAsOdo}
        maxLength={300}
        autoComplete="off"
        value={about}
        onChange={(e) => onChange({ about: e.target.value })}
      />
      <p className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <span>
          <Said
            as={say.atNth}
            nth={
              <ChoicePart
                label={fill(say.whenHost, { host: host.name })}
                value={nth === null ? '' : String(nth)}
                choices={[
                  { value: '', label: nth === null ? fits : say.asItFitsShort },
                  ...others.map((one) => ({ value: String(one.nth), label: one.time })),
                ]}
                onChange={(value) => onChange({ nth: value === '' ? null : Number(value) })}
              />
            }
          />
        </span>
        <Button kind="link" className="min-h-11" onClick={onDrop}>
          {say.notAfterAll}
        </Button>
      </p>
    </div>
  );
}

interface HostProps {
  host: Host;
  has: number;
  wishes: Fitted[];
  /** The evening’s own. */
  day: string;
  /** No more can be wished for. */
  isEnough: boolean;
  onAdd: () => void;
  onChange: (key: string, part: Partial<Wish>) => void;
  onDrop: (key: string) => void;
}

/** A teacher, and what the guest wishes of them. */
function OneHost({ host, has, wishes, day, isEnough, onAdd, onChange, onDrop }: HostProps) {
  const why = whyNot(host);
  const count = has + wishes.length;
  const mayAdd = why === null && count < MOST_EACH && !isEnough;
  return (
    <li className="border-t border-line py-3">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <Pennant pennant={host.pennant} />
        <span className="min-w-0 flex-1">
          <b>{host.name}</b>{' '}
          <span className="block text-md text-soft">
            {host.classTitle}
            {host.date !== day && `, ${fill(say.onDate, { date: dateInWords(host.date) })}`}
          </span>
        </span>
        {why !== null && <span className="text-soft">{why}</span>}
        {mayAdd && count === 0 && (
          <Button
            className="min-h-11"
            onClick={onAdd}
            aria-label={fill(say.seeHost, { host: host.name })}
          >
            {say.see}
          </Button>
        )}
      </div>
      {wishes.map((wish) => (
        <OneWish
          key={wish.key}
          wish={wish}
          onChange={(part) => onChange(wish.key, part)}
          onDrop={() => onDrop(wish.key)}
        />
      ))}
      {mayAdd && count > 0 && (
        <Button
          kind="link"
          className="min-h-11"
          onClick={onAdd}
          aria-label={fill(say.seeOnceMore, { host: host.name })}
        >
          {say.onceMoreAboutAnotherChild}
        </Button>
      )}
    </li>
  );
}

/** What the button does, in words. */
function takeWords(fitted: Fitted[]): string {
  const times = fitted.flatMap(({ slot }) => slot?.time ?? []);
  return times.length === 1
    ? fill(say.takeTime, { time: times[0]! })
    : fill(say.takeTheseTimes, { timesCount: times.length });
}

interface Typed {
  wishes: Wish[];
}

/** A key that no other wish has. */
const freshKey = (wishes: Wish[], seriesId: number): string => {
  const taken = new Set(wishes.map(({ key }) => key));
  return taken.has(`${seriesId}`) ? `${seriesId} again` : `${seriesId}`;
};

/** What a guest wishes: kept until it is taken, and taken as it fits. */
function useWishes(token: string, own: OwnEvening) {
  const [change] = api.useChangeAppointmentsMutation();
  const form = useServerForm<Typed, Typed, OwnEvening>({
    start: { wishes: [] },
    keepAs: { name: `appointments ${token.slice(0, 8)}` },
    send: ({ wishes }) => {
      const take = fittedOnPage(own, wishes).flatMap(({ seriesId, slot, about }) =>
        slot ? [{ seriesId, nth: slot.nth, about }] : [],
      );
      return change({ params: { token }, body: { version: own.version, take, drop: [] } });
    },
    onDone: () => form.change({ wishes: [] }),
  });
  const wishes = form.watch('wishes');
  const set = (next: Wish[]): void => form.change({ wishes: next });
  return {
    form,
    wishes,
    fitted: fittedOnPage(own, wishes),
    add: (seriesId: number) =>
      set([...wishes, { key: freshKey(wishes, seriesId), seriesId, about: '', nth: null }]),
    edit: (key: string, part: Partial<Wish>) =>
      set(wishes.map((one) => (one.key === key ? { ...one, ...part } : one))),
    drop: (key: string) => set(wishes.filter((one) => one.key !== key)),
  };
}

const startOf = ({ slot }: Fitted): string => slot?.start ?? '';

/** What would be taken, in the order of its times, and what does not fit in. */
function WhatFits({ fitted }: { fitted: Fitted[] }) {
  const seen = fitted.filter(({ slot }) => slot !== null);
  const unmet = fitted.filter(({ slot }) => slot === null);
  return (
    <div aria-live="polite">
      {seen.length > 0 && (
        <p>
          {seen
            .sort((a, b) => (startOf(a) < startOf(b) ? -1 : 1))
            .map(({ slot, host }) => `${slot!.time} ${host.name}`)
            .join(', ')}
        </p>
      )}
      {unmet.length > 0 && (
        <p className="text-gorse-deep">
          {fill(say.noTimeIsLeft, { unmet: unmet.map(({ host }) => host.name).join(' and ') })}
        </p>
      )}
    </div>
  );
}

/** Whom a guest wants to see, and when that would be: fitted in around each other before anything is taken. */
export function Wishes({ token, own }: { token: string; own: OwnEvening }) {
  const { form, wishes, fitted, add, edit, drop } = useWishes(token, own);
  const { problem, isSending, submit } = form;
  const canTake = fitted.some(({ slot }) => slot !== null);
  return (
    <form className="mt-6" noValidate onSubmit={submit} aria-label={say.whomToSee}>
      <h2 className="text-lg">
        {own.mine.length === 0 ? say.whomWouldYouLike : say.whomElseWouldYouLike}
      </h2>
      <p className="text-soft">{say.timesAreFittedInOne}</p>
      <ul className="mt-2">
        {own.hosts.map((host) => (
          <OneHost
            key={host.seriesId}
            host={host}
            has={own.mine.filter(({ seriesId }) => seriesId === host.seriesId).length}
            wishes={fitted.filter(({ seriesId }) => seriesId === host.seriesId)}
            day={own.date}
            isEnough={wishes.length >= MOST_WANTED}
            onAdd={() => add(host.seriesId)}
            onChange={edit}
            onDrop={drop}
          />
        ))}
      </ul>
      {fitted.length > 0 && (
        <div className="sticky bottom-0 border-t border-line bg-paper py-3">
          <WhatFits fitted={fitted} />
          {problem && <FieldError>{problem.title}</FieldError>}
          <Button
            kind="act"
            type="submit"
            className="mt-2 min-h-11"
            disabled={isSending || !canTake}
          >
            {takeWords(fitted)}
          </Button>
        </div>
      )}
    </form>
  );
}
