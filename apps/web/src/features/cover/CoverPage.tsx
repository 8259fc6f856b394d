import { useState } from 'react';
import { coverDays } from '@glen/core';
import type { Me, Problem } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { Loaded } from '../../app/Loaded.js';
import { Button } from '../../ui/Button.js';
import { Chip } from '../../ui/Chip.js';
import { FieldError } from '../../ui/Field.js';
import { Margin, Screen } from '../../ui/Margin.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { SchoolTabs } from '../school/SchoolTabs.js';
import { CoverSentence } from './CoverSentence.js';
import { OnBehalf } from './OnBehalf.js';
import { HandOverSheet } from './HandOverSheet.js';
import type { Covers } from './useCover.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

type Cover = Covers['covers'][number];

function CoverRow({ cover, me }: { cover: Cover; me: number }) {
  const [end, { isLoading }] = api.useEndCoverMutation();
  const [problem, setProblem] = useState<Problem>();
  const { absent, covering, madeBy } = cover;
  const name = ({ id, name }: Cover['absent']): string => (id === me ? 'you' : name);
  const stop = async (): Promise<void> => {
    const { error } = await end({ params: { coverId: cover.id } });
    setProblem(error ? problemOf(error) : undefined);
  };
  return (
    <li className="flex flex-wrap items-center gap-x-3 gap-y-1 border-t border-line py-2">
      <span className="min-w-0 flex-1 basis-60">
        <Said
          as={covering.id === me ? say.youCoverFor : say.coversForDays}
          strong={(text) => <b>{text}</b>}
          covering={<b>{covering.name}</b>}
          name={name(absent)}
          coverDays={coverDays(cover)}
        />
        {madeBy.id !== absent.id && (
          <span className="text-soft">{`, ${fill(say.saidName, { name: name(madeBy) })}`}</span>
        )}
      </span>
      {cover.isOn && <Chip tone="well">{say.now}</Chip>}
      {cover.mayEnd && (
        <Button
          kind="link"
          disabled={isLoading}
          aria-label={fill(say.endItFor, {
            covering: covering.name,
            absent: absent.name,
            coverDays: coverDays(cover),
          })}
          onClick={() => void stop()}
        >
          {say.endTheCover}
        </Button>
      )}
      {problem && <FieldError>{problem.title}</FieldError>}
    </li>
  );
}

/** Whoever leaves hands over all that they host. */
function ForGood({ me }: { me: number }) {
  const [isAsking, setAsking] = useState(false);
  return (
    <section aria-label={say.forGood} className="mt-8">
      <h2 className="mb-1 text-xl">{say.forGood}</h2>
      <p className="mb-3 text-soft">{say.youLeaveOrTeachSomething}</p>
      {isAsking ? (
        <HandOverSheet personId={me} onClose={() => setAsking(false)} />
      ) : (
        <Button onClick={() => setAsking(true)}>{say.handOverWhatIHostDots}</Button>
      )}
    </section>
  );
}

function Page({ covers, me }: { covers: Covers; me: number }) {
  return (
    <Screen
      margin={
        <Margin
          notes={[
            {
              severity: 'inform',
              title: say.hostWhereverTheyAre,
              text: say.whoeverCoversOpensLets,
            },
          ]}
        />
      }
    >
      <SchoolTabs />
      <ScreenTitle tab={say.whoCovers} className="mb-4" />
      <CoverSentence covers={covers} me={me} />
      <section aria-label={say.onAndToCome} className="mt-8 max-w-3xl">
        <h2 className="mb-1 text-xl">{say.onAndToCome}</h2>
        {covers.covers.length === 0 && <p className="text-soft">{say.nobodyCoversForAnybody}</p>}
        <ul>
          {covers.covers.map((cover) => (
            <CoverRow key={cover.id} cover={cover} me={me} />
          ))}
        </ul>
      </section>
      <OnBehalf />
      <ForGood me={me} />
    </Screen>
  );
}

/** Who covers for whom: a teacher says it of themselves, the head and the office of anybody. */
export default function CoverPage({ me }: { me: Me }) {
  const asked = api.useCoversQuery();
  return (
    <Loaded asked={asked} lines={4}>
      {(covers) => <Page covers={covers} me={me.person!.id} />}
    </Loaded>
  );
}
