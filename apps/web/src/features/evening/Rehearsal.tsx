import { useState } from 'react';
import { addMinutes, plusMinutes, wallClockAt } from '@glen/core';
import type { Answer } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { doorWords } from '../entry/doorWords.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type Programme = Answer<'programme'>;

/** At whose place the door is tried: anybody, and a guest who has signed in. */
const AS = [
  { name: say.somebodyWithoutAnAccount, body: {} },
  { name: say.aGuestWithAHome, body: { kind: 'signed-in-guest' as const } },
  { name: say.aStudentOfAnotherClass, body: { kind: 'other-student' as const } },
] as const;

interface Point {
  what: string;
  /** An instant. */
  at: string;
  hostIn: boolean;
}

const BEFORE_MINUTES = 10;
/** No door stays open longer than two hours after. */
const AFTER_MINUTES = 121;

/** When the door is tried: before it begins, at each of the programme, and once it is over. */
const pointsOf = ({ items, start, end }: Programme): Point[] => [
  {
    what: fill(say.minutesBefore, { beforeMinutes: BEFORE_MINUTES }),
    at: plusMinutes(start, -BEFORE_MINUTES),
    hostIn: false,
  },
  ...(items[0]?.at === start ? [] : [{ what: say.theBeginning, at: start, hostIn: true }]),
  ...items.map(({ title, at }) => ({ what: title, at, hostIn: true })),
  { what: say.onceItIsOver, at: plusMinutes(end, AFTER_MINUTES), hostIn: false },
];

interface Tried {
  point: Point;
  time: string;
  /** What the door says to each, in the order of `AS`. */
  says: string[];
}

/** Tries the door at each point, as the server would decide at the real one. */
function useRehearsal(programme: Programme, zone: string) {
  const [ask] = api.useTryDoorMutation();
  const [tried, setTried] = useState<Tried[]>();
  const [isTrying, setTrying] = useState(false);
  const [error, setError] = useState<unknown>();
  const params = { linkId: programme.linkId };
  const tryAt = async (point: Point): Promise<Tried> => {
    const { date, time } = wallClockAt(point.at, zone);
    const says: string[] = [];
    for (const { body } of AS) {
      const at = { date, time };
      const door = await ask({ params, body: { ...body, at, hostIn: point.hostIn } }).unwrap();
      says.push(doorWords(door, null).title);
    }
    return { point, time, says };
  };
  return {
    tried,
    isTrying,
    error,
    tryAll: async (): Promise<void> => {
      setTrying(true);
      setError(undefined);
      try {
        const all: Tried[] = [];
        for (const point of pointsOf(programme)) all.push(await tryAt(point));
        setTried(all);
      } catch (problem) {
        setError(problem);
      }
      setTrying(false);
    },
  };
}

function TriedTable({ tried }: { tried: Tried[] }) {
  return (
    <div
      className="mt-3 overflow-x-auto"
      tabIndex={0}
      role="region"
      aria-label={say.theDoorAtEachPoint}
    >
      <table className="w-full text-left text-md">
        <thead>
          <tr>
            <th className="py-1 pr-4 font-semibold">{say.when}</th>
            {AS.map(({ name }) => (
              <th key={name} className="py-1 pr-4 font-semibold">
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {tried.map(({ point, time, says }) => (
            <tr key={point.at} className="border-t border-line align-top">
              <th scope="row" className="py-1.5 pr-4 font-normal">
                <span className="font-mono">{time}</span> {point.what}
              </th>
              {says.map((words, i) => (
                <td key={AS[i]!.name} className="py-1.5 pr-4">
                  {words}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** The evening rehearsed beforehand: what the door says to whom at each point of the programme. */
export function Rehearsal({ programme, zone }: { programme: Programme; zone: string }) {
  const { tried, isTrying, error, tryAll } = useRehearsal(programme, zone);
  return (
    <section className="mt-8 max-w-4xl" aria-label={say.rehearseTheDoor}>
      <h2 className="mb-1 text-lg">{say.rehearseTheDoor}</h2>
      <p className="text-soft">
        {fill(say.whatItSays, { addMinutes: addMinutes(programme.time, -BEFORE_MINUTES) })}
      </p>
      <p className="mt-2">
        <Button disabled={isTrying} onClick={() => void tryAll()}>
          {say.tryItAtEachPoint}
        </Button>
      </p>
      {error !== undefined && <FieldError>{problemOf(error)?.title}</FieldError>}
      {tried && <TriedTable tried={tried} />}
    </section>
  );
}
