import type { LinkDetail } from '@glen/contract';
import { api } from '../../app/api.js';
import { useServerForm } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { DateField } from '../../ui/DateField.js';
import { FieldError } from '../../ui/Field.js';
import { ChoicePart } from '../../ui/choices.js';
import { ALWAYS, type When } from './whens.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

interface Wanted {
  personId: number;
  when: string;
  /** Dates; empty: without a bound. */
  from: string;
  until: string;
  takesOver: string;
}

const TAKES_OVER = [
  { value: 'no', label: say.doesNotTakeOver },
  { value: 'yes', label: say.takesOverWhileNoHost },
];

interface NameProps {
  linkId: number;
  staff: { id: number; name: string }[];
  whens: When[];
}

/** What is sent of a choice. One date has no bounds. */
function bodyOf({ personId, when, from, until, takesOver }: Wanted, whens: When[]) {
  const dates = whens.find((one) => one.value === when)?.body ?? {};
  const isOneDate = dates.key !== undefined;
  const bounds = isOneDate ? {} : { from: from || undefined, until: until || undefined };
  return { personId, ...dates, ...bounds, takesOver: takesOver === 'yes' };
}

interface BoundsProps extends Pick<Wanted, 'from' | 'until'> {
  change: (part: Partial<Wanted>) => void;
}

/** From when and until when, where that is said. */
const Bounds = ({ from, until, change }: BoundsProps) => (
  <>
    {' '}
    <Said
      as={say.fromFirstDayUntilLastDay}
      firstDay={
        <DateField
          dress="part"
          aria-label={say.theFirstDayTheyPresent}
          placeholder={say.now}
          value={from}
          onChange={(next) => change({ from: next })}
        />
      }
      lastDay={
        <DateField
          dress="part"
          aria-label={say.theLastDayTheyPresent}
          placeholder={say.furtherNotice}
          value={until}
          onChange={(next) => change({ until: next })}
        />
      }
    />
  </>
);

/** Somebody of the staff is named in a sentence. */
export function NamePresenter({ linkId, staff, whens }: NameProps) {
  const [add] = api.useAddPresenterMutation();
  const { submit, change, isSending, problem, watch } = useServerForm<Wanted, Wanted, LinkDetail>({
    start: { personId: staff[0]!.id, when: ALWAYS, from: '', until: '', takesOver: 'no' },
    send: (wanted) => add({ params: { linkId }, body: bodyOf(wanted, whens) }),
    // Whatever is wrong with a part is said of the whole sentence.
    fieldOf: () => '',
    onDone: () => undefined,
  });
  const { personId, when, from, until, takesOver } = watch();
  const isOneDate = when.startsWith('date ');
  return (
    <form className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-2" onSubmit={submit}>
      <p className="text-lg leading-sentence">
        <Said
          as={say.presentsAnd}
          presents={
            <ChoicePart
              label={say.whoPresents}
              value={String(personId)}
              choices={staff.map((one) => ({ value: String(one.id), label: one.name }))}
              onChange={(next) => change({ personId: Number(next) })}
            />
          }
          whenPresent={
            <ChoicePart
              label={say.whenTheyPresent}
              value={when}
              choices={whens}
              onChange={(next) => change({ when: next })}
            />
          }
          what={!isOneDate && <Bounds from={from} until={until} change={change} />}
          whetherTake={
            <ChoicePart
              label={say.whetherTheyTakeOver}
              value={takesOver}
              choices={TAKES_OVER}
              onChange={(next) => change({ takesOver: next })}
            />
          }
        />
      </p>
      <Button type="submit" disabled={isSending}>
        {say.nameThePresenter}
      </Button>
      {problem && <FieldError>{problem.errors?.[0]?.message ?? problem.title}</FieldError>}
    </form>
  );
}
