import { Popover } from 'radix-ui';
import { useState } from 'react';
import type { Answer, Sent } from '@glen/contract';
import { api } from '../../app/api.js';
import { wallClock } from '../../app/clock.js';
import { copyText } from '../../app/copyText.js';
import { useServerForm } from '../../app/useServerForm.js';
import { Button, buttonClass } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { TextField } from '../../ui/TextField.js';
import { deskCard } from './HandOver.js';
import { fill, many } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

type AtDesk = Answer<'deskCheckIn'>;
type Asked = NonNullable<AtDesk['checkIn']>;
type Wish = Sent<'openCheckIn'>;

const USUAL_MINUTES = 5;

/** Asks those inside for a sign of being there. */
function AskForm({ linkId }: { linkId: number }) {
  const [open] = api.useOpenCheckInMutation();
  const { register, errorAt, problem, isSending, submit } = useServerForm<Wish, Wish, AtDesk>({
    start: { minutes: USUAL_MINUTES, question: '' },
    send: (body) => open({ params: { linkId }, body }),
    onDone: () => {},
  });
  return (
    <form className="grid gap-3" noValidate onSubmit={submit}>
      <p>{say.whoeverIsInGives}</p>
      <TextField
        label={say.openForSoManyMinutes}
        type="number"
        inputMode="numeric"
        min={1}
        max={60}
        className="w-24"
        error={errorAt('minutes')}
        {...register('minutes', { valueAsNumber: true })}
      />
      <TextField
        label={say.withAQuestionPerhaps}
        hint={say.answeredInAFewWords}
        maxLength={200}
        autoComplete="off"
        error={errorAt('question')}
        {...register('question')}
      />
      {problem && <FieldError>{problem.title}</FieldError>}
      <Button kind="act" type="submit" disabled={isSending}>
        {say.askForACheckIn}
      </Button>
    </form>
  );
}

/** Who has given the sign; who else did from the same device is said, and no more. */
function Given({ given }: { given: Asked['given'] }) {
  if (given.length === 0) return null;
  return (
    <ul aria-label={say.checkedIn} className="max-h-60 overflow-y-auto">
      {given.map(({ visitorId, name, answer, with: others }) => (
        <li key={visitorId} className="border-t border-line py-1 break-words">
          {name}
          {answer && <span className="text-soft">: {answer}</span>}
          {others.length > 0 && (
            <span className="block text-sm text-soft">
              {fill(say.fromTheSameDeviceAs, { others: others.join(' and ') })}
            </span>
          )}
        </li>
      ))}
    </ul>
  );
}

interface ShownProps {
  checkIn: Asked;
  inside: number;
  linkId: number;
  zone: string;
}

/** How many have given the sign, and how many are in. */
const manyInWords = (given: number, inside: number): string =>
  fill(say.checkedInInside, { given, count: many(say.peopleAre, inside) });

/** A check-in that is open: what is put into the chat, what is read out, and who has given it. */
function Open({ checkIn, inside, linkId, zone }: ShownProps) {
  const [end] = api.useEndCheckInMutation();
  const { id, code, message, typeAt, closes, given, question } = checkIn;
  return (
    <>
      <p>
        <Said
          as={say.readOutOrTyped}
          code={
            <span className="font-mono text-xl tracking-widest" aria-label={[...code].join(' ')}>
              {code}
            </span>
          }
        />
        <span className="block text-sm text-soft">
          <Said as={say.toBeTypedAt} typeAt={<span className="break-all">{typeAt}</span>} />
        </span>
      </p>
      {question && <p className="break-words">“{question}”</p>}
      <p className="text-soft" role="status">
        <Said
          as={say.openUntil}
          many={manyInWords(given.length, inside)}
          time={<span className="font-mono">{wallClock(closes, zone).time}</span>}
        />
      </p>
      <div className="flex flex-wrap gap-2">
        <Button kind="act" onClick={() => void copyText(message, say.copiedForTheChat)}>
          {say.copyForTheChat}
        </Button>
        <Button onClick={() => void end({ params: { linkId }, body: { checkInId: id } })}>
          {say.endTheCheck}
        </Button>
      </div>
      <Given given={given} />
    </>
  );
}

/** The last check-in, once it is over; another can be asked for. */
function Over({ checkIn, inside, linkId }: Omit<ShownProps, 'zone'>) {
  return (
    <>
      <p className="text-soft" role="status">
        {fill(say.theLastOneIsOver, { many: manyInWords(checkIn.given.length, inside) })}
      </p>
      <Given given={checkIn.given} />
      <AskForm linkId={linkId} />
    </>
  );
}

function Card({ checkIn, inside, linkId, zone }: AtDesk & { linkId: number; zone: string }) {
  if (!checkIn) return <AskForm linkId={linkId} />;
  const shown = { checkIn, inside, linkId };
  return checkIn.isOpen ? <Open {...shown} zone={zone} /> : <Over {...shown} />;
}

/** A sign of being there, asked for in mid-lesson. */
export function CheckIn({ linkId, zone }: { linkId: number; zone: string }) {
  const [isOpen, setOpen] = useState(false);
  const { data } = api.useDeskCheckInQuery({ params: { linkId } });
  if (!data) return null;
  const { checkIn, inside } = data;
  const words = checkIn?.isOpen
    ? fill(say.checkIn, { givenCount: checkIn.given.length })
    : say.checkInDots;
  return (
    <Popover.Root open={isOpen} onOpenChange={setOpen}>
      <Popover.Trigger className={buttonClass()}>{words}</Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={6}
          collisionPadding={8}
          align="start"
          className={deskCard}
          aria-label={say.checkInShort}
        >
          <Card checkIn={checkIn} inside={inside} linkId={linkId} zone={zone} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
