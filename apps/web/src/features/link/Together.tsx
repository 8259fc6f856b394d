import { classTitle } from '@glen/core/light';
import type { ClassItem, LinkDetail } from '@glen/contract';
import { api } from '../../app/api.js';
import { useServerForm } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { Pennant } from '../../ui/Pennant.js';
import { ChoicePart } from '../../ui/choices.js';
import type { ClassPeriod } from '../school/classPeriod.js';
import { useTogether } from './useTogether.js';
import { ALWAYS, whensOf, type When } from './whens.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

type Share = LinkDetail['shares'][number];

function ShareRow({ share, onRemove }: { share: Share; onRemove: (() => void) | undefined }) {
  const { title, words, pennant, ownDoor } = share;
  return (
    <li className="flex flex-wrap items-center gap-x-3 gap-y-1 border-t border-line py-2">
      <Pennant pennant={pennant} size="small" />
      <span className="min-w-0 flex-1">
        <Said
          as={ownDoor === 'leads' ? say.ownDoorLeadsHere : say.ownDoorStaysShut}
          title={<b>{title}</b>}
          words={words}
        />
      </span>
      {onRemove && (
        <Button
          kind="link"
          aria-label={fill(say.atItsOwnDoorAgain, { title, words })}
          onClick={onRemove}
        >
          {say.atItsOwnDoorAgainShort}
        </Button>
      )}
    </li>
  );
}

const OWN_DOOR = [
  { value: 'leads', label: say.leadsHereThen },
  { value: 'shut', label: say.staysShutThen },
];

interface Wanted {
  classId: number;
  when: string;
  ownDoor: Share['ownDoor'];
}

interface BringProps {
  others: ClassItem[];
  whens: When[];
  add: ReturnType<typeof useTogether>['add'];
}

/** Another class period is brought to this door, in a sentence. */
function BringTogether({ others, whens, add }: BringProps) {
  const form = useServerForm<Wanted, Wanted, unknown>({
    start: { classId: others[0]!.id, when: ALWAYS, ownDoor: 'leads' },
    send: ({ classId, when, ownDoor }) => {
      const dates = whens.find((w) => w.value === when)?.body ?? {};
      return add({ classId, ownDoor, ...dates }, classTitle(others.find((c) => c.id === classId)!));
    },
    // Whatever is wrong with them is said of all three.
    fieldOf: () => '',
    onDone: () => undefined,
  });
  const { submit, change, isSending, problem } = form;
  const { classId, when, ownDoor } = form.watch();
  return (
    <form onSubmit={submit}>
      <div className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-2">
        <p className="text-lg leading-sentence">
          <Said
            as={say.meetsHereItsOwnDoor}
            classPeriod={
              <ChoicePart
                label={say.whichClassPeriod}
                value={String(classId)}
                onChange={(v) => change({ classId: Number(v) })}
                choices={others.map((c) => ({ value: String(c.id), label: classTitle(c) }))}
              />
            }
            when={
              <ChoicePart
                label={say.when}
                value={when}
                onChange={(v) => change({ when: v })}
                choices={whens}
              />
            }
            itsOwn={
              <ChoicePart
                label={say.itsOwnDoorMeanwhile}
                value={ownDoor}
                onChange={(v) => change({ ownDoor: v as typeof ownDoor })}
                choices={OWN_DOOR}
              />
            }
          />
        </p>
        <Button type="submit" disabled={isSending}>
          {say.bringThemTogether}
        </Button>
      </div>
      {problem && <FieldError>{problem.title}</FieldError>}
    </form>
  );
}

interface TogetherProps {
  link: LinkDetail;
  classPeriod: ClassPeriod;
}

/** Class periods that meet at this door too; their own doors lead here then, or stay shut with a word. */
export function Together({ link, classPeriod }: TogetherProps) {
  const { data } = api.useClassesQuery();
  const { add, remove, problem } = useTogether(link);
  const isCovering = classPeriod.class.coverFor !== null;
  const mayShare = link.mayEdit && link.state === 'live' && !isCovering;
  const others = (data?.classes ?? []).filter(
    (c) => c.id !== link.classId && (c.mine === 'host' || c.mine === 'co-teacher'),
  );
  return (
    <>
      {link.shares.length === 0 && <p className="text-soft">{say.nobodyClassPeriodsThatMeet}</p>}
      <ul>
        {link.shares.map((share) => (
          <ShareRow
            key={share.id}
            share={share}
            onRemove={link.mayEdit ? () => void remove(share) : undefined}
          />
        ))}
      </ul>
      {mayShare && others.length > 0 && (
        <BringTogether others={others} whens={whensOf(link, classPeriod.sessions)} add={add} />
      )}
      {problem && <FieldError>{problem.errors?.[0]?.message ?? problem.title}</FieldError>}
    </>
  );
}
