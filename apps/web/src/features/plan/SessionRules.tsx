import { X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import { Suspense, lazy } from 'react';
import { dateInWords } from '@glen/core/light';
import type { Answer, Session } from '@glen/contract';
import { wayBack } from '../../app/wayBack.js';
import { api, problemOf } from '../../app/api.js';
import { useRuleEdits } from '../entry/useRuleEdits.js';
import { Loading, Trouble } from '../../ui/States.js';
import { fill, many } from '../../ui/fill.js';
import * as say from './words.js';

const RulesEditor = lazy(() =>
  import('../entry/RulesEditor.js').then((m) => ({ default: m.RulesEditor })),
);

interface RulesProps {
  session: Session;
  scope: 'series' | 'date';
  /** The school's. */
  zone: string;
}

function Editor({ answer, session, scope, zone }: RulesProps & { answer: Answer<'rules'> }) {
  const edits = useRuleEdits(answer, ({ version, rules, hostsGone }) =>
    wayBack('setSeriesRules', {
      params: { seriesId: session.seriesId },
      body: { version, rules, hostsGone, ...(scope === 'date' ? { key: session.key } : {}) },
    }),
  );
  return <RulesEditor edits={edits} answer={answer} zone={zone} showSources />;
}

function countInWords(own: number): string {
  if (own === 0) return say.itsLinksEntryRules;
  return many(say.entryRulesOfItsOwn, own);
}

/** The entry rules of a series, or of one of its dates, over those of its link; kept at once, apart from the sheet. */
export function SessionRules({ session, scope, zone }: RulesProps) {
  const { data, error, refetch } = api.useSeriesRulesQuery({
    params: { seriesId: session.seriesId },
    query: scope === 'date' ? { on: session.key } : {},
  });
  const own = data ? Object.keys(data.layers.at(-1)!.rules).length : 0;
  const shown = countInWords(own);
  return (
    <Dialog.Root>
      <Dialog.Trigger
        className={`inline-flex items-center rounded-t-small border-b-2 px-2 py-px leading-normal font-semibold ${own > 0 ? 'border-bracken bg-bracken-tint' : 'border-edge bg-shade'}`}
        aria-label={fill(say.entryRules, { shown })}
      >
        {shown}
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-30 bg-bar/40" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed inset-y-0 right-0 z-40 w-230 max-w-view overflow-y-auto border-l border-line bg-paper px-6 py-5 shadow-soft"
        >
          <div className="mb-4 flex items-baseline justify-between gap-4">
            <Dialog.Title className="text-xl">
              {scope === 'date'
                ? fill(say.entryOnAlone, { date: dateInWords(session.date) })
                : fill(say.entryFor, { session: session.title })}
            </Dialog.Title>
            <Dialog.Close aria-label={say.close} className="rounded-small p-1">
              <X size={18} aria-hidden="true" />
            </Dialog.Close>
          </div>
          {data && (
            <Suspense fallback={<Loading />}>
              <Editor answer={data} session={session} scope={scope} zone={zone} />
            </Suspense>
          )}
          {!data && error && <Trouble problem={problemOf(error)} retry={() => void refetch()} />}
          {!data && !error && <Loading />}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
