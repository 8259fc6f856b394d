import { useState } from 'react';
import type { EntryRules } from '@glen/core';
import type { LinkDetail, Problem } from '@glen/contract';
import { api, messageFor, problemOf } from '../../app/api.js';
import { offerUndo } from '../../app/undo.js';
import { Button } from '../../ui/Button.js';
import { Field, inputClass } from '../../ui/Field.js';
import { RULE_NAMES, valueInWords } from '../entry/sentences.js';

/** The room behind a link: the school's video service, or one whose address somebody pastes. */
export function Room({ link, rules }: { link: LinkDetail; rules: EntryRules }) {
  const [setRoom, { isLoading }] = api.useSetRoomMutation();
  const [editing, setEditing] = useState(false);
  const [typed, setTyped] = useState(link.room ?? '');
  const [problem, setProblem] = useState<Problem>();
  const put = async (address: string | null): Promise<void> => {
    setProblem(undefined);
    const before = link.room;
    const { data, error } = await setRoom({
      params: { linkId: link.id },
      body: { version: link.version, address },
    });
    if (!data) return setProblem(problemOf(error));
    setEditing(false);
    setTyped(data.room ?? '');
    offerUndo(
      data.room
        ? 'Another room is behind the door.'
        : 'The school’s video service is behind the door.',
      () =>
        setRoom({
          params: { linkId: link.id },
          body: { version: data.version, address: before },
        }).unwrap(),
    );
  };
  return (
    <>
      <p className="text-[17px]">
        {link.room ? (
          <>
            A room of your own: <span className="font-mono text-[15px] break-all">{link.room}</span>
          </>
        ) : (
          'The school’s video service. It keeps every rule above by itself.'
        )}
      </p>
      <p className="mt-1 text-[15px] text-soft">
        {link.room
          ? 'Glen’s door keeps who may enter, the lobby, the code and the times. Whoever has been inside knows the room’s own address; Glen cannot see who leaves it.'
          : 'You can put any room that you have behind this door; the link stays the same.'}
        {link.running && ' A session is running: it stays in the room that it began in.'}
      </p>
      {link.byHand.length > 0 && (
        <div className="mt-3 rounded-small bg-gorse-tint p-3 text-gorse-deep">
          <h3 className="font-sans text-[15px] font-bold">Set these in the room yourself</h3>
          <ul className="mt-1 list-disc pl-5 text-[15px]">
            {link.byHand.map((field) => (
              <li key={field}>
                {RULE_NAMES[field]}: {valueInWords(field, rules[field])}
              </li>
            ))}
          </ul>
        </div>
      )}
      {link.mayEdit && !editing && (
        <p className="mt-3 flex flex-wrap gap-2.5">
          <Button onClick={() => setEditing(true)}>
            {link.room ? 'Change the room' : 'Use a room of your own'}
          </Button>
          {link.room && (
            <Button disabled={isLoading} onClick={() => void put(null)}>
              Back to the school’s video service
            </Button>
          )}
        </p>
      )}
      {editing && (
        <form
          className="mt-3 grid max-w-xl gap-3"
          onSubmit={(event) => {
            event.preventDefault();
            void put(typed);
          }}
        >
          <Field
            label="The room’s address"
            hint="Visitors see it only once they are let in."
            error={
              messageFor(problem, 'address') ??
              (problem?.status === 409
                ? 'Somebody changed this link just now; look again and save once more.'
                : undefined)
            }
          >
            {(p) => (
              <input
                {...p}
                className={`${inputClass} font-mono`}
                inputMode="url"
                autoCapitalize="none"
                spellCheck={false}
                placeholder="https://"
                value={typed}
                onChange={(e) => {
                  setTyped(e.target.value);
                  setProblem(undefined);
                }}
              />
            )}
          </Field>
          <p className="flex gap-2.5">
            <Button type="submit" kind="act" disabled={isLoading}>
              Put it behind the door
            </Button>
            <Button
              onClick={() => {
                setEditing(false);
                setProblem(undefined);
                setTyped(link.room ?? '');
              }}
            >
              Leave it
            </Button>
          </p>
        </form>
      )}
    </>
  );
}
