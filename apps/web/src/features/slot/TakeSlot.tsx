import type { Answer, Sent } from '@glen/contract';
import { api } from '../../app/api.js';
import { useServerForm } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { PickOne } from '../../ui/PickOne.js';
import { TextField, WebAddressField } from '../../ui/TextField.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type There = Answer<'signUps'>;
export type SessionInSlots = There['sessions'][number];
export type OwnSlot = SessionInSlots['mine'][number];

/** The slot that is taken, or (`nth` null) that one waits; `moving` is what it stands in for. */
export interface Wanted {
  session: SessionInSlots;
  nth: number | null;
  moving: OwnSlot | null;
}

type Fields = Pick<Sent<'signUp'>, 'about' | 'address' | 'groupId'>;

/** What the button does, in words. */
export function takeWords({ session, nth, moving }: Wanted): string {
  if (nth === null) return say.waitForASlot;
  const { time } = session.slots[nth]!;
  if (moving?.nth === nth) return say.saveMySlot;
  return moving ? fill(say.moveTo, { time }) : fill(say.takeTime, { time });
}

interface TakeSlotProps {
  code: string;
  groups: There['groups'];
  wanted: Wanted;
  onDone: () => void;
}

/** Takes a slot, moves to it, or waits for one: with what it is about, where one likes to say. */
export function TakeSlot({ code, groups, wanted, onDone }: TakeSlotProps) {
  const { session, nth, moving } = wanted;
  const [take] = api.useSignUpMutation();
  const [change] = api.useChangeSignUpMutation();
  const where = { seriesId: session.seriesId, on: session.on, nth };
  const { register, watch, setValue, errorAt, problem, isSending, submit } = useServerForm<
    Fields,
    Fields,
    There
  >({
    start: { about: moving?.about ?? '', address: moving?.address ?? '', groupId: null },
    send: ({ groupId, ...said }) =>
      moving
        ? change({
            params: { code },
            body: { id: moving.id, version: moving.version, ...where, ...said },
          })
        : take({ params: { code }, body: { ...where, ...said, groupId: groupId ?? null } }),
    onDone,
  });
  return (
    <form className="mt-2 grid gap-3 rounded-small bg-shade p-3" noValidate onSubmit={submit}>
      <TextField
        label={say.whatItIsAbout}
        maxLength={300}
        autoComplete="off"
        error={errorAt('about')}
        {...register('about')}
      />
      <WebAddressField
        label={say.somethingToLook}
        maxLength={1000}
        error={errorAt('address')}
        {...register('address')}
      />
      {groups.length > 0 && !moving && (
        <PickOne
          label={say.forWhom}
          value={String(watch('groupId') ?? '')}
          choices={[
            ['', say.forMe],
            ...groups.map(({ id, name }) => [String(id), fill(say.forName, { name })] as const),
          ]}
          onChange={(value) => setValue('groupId', value === '' ? null : Number(value))}
        />
      )}
      {problem && <FieldError>{problem.title}</FieldError>}
      <p className="flex flex-wrap gap-2">
        <Button kind="act" type="submit" disabled={isSending}>
          {takeWords(wanted)}
        </Button>
        <Button onClick={onDone}>{say.back}</Button>
      </p>
    </form>
  );
}
