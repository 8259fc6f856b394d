import { Check } from 'lucide-react';
import { useState } from 'react';
import type { Post } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { offerUndo } from '../../app/undo.js';
import { Button } from '../../ui/Button.js';
import { RichWords } from '../../ui/RichWords.js';
import { Loading, Trouble } from '../../ui/States.js';
import { copyAddress, copyWords } from '../link/copy.js';

type Delivery = Post['deliveries'][number];

const FORMS = { rich: 'Rich', text: 'Plain text', markdown: 'Markdown', html: 'HTML' } as const;
type Form = keyof typeof FORMS;

/** What to paste at a place that Glen cannot fill, in each form, and the tick when it is done. */
export function ByHand({
  delivery,
  mayEdit,
}: {
  delivery: Delivery & { placementId: number };
  mayEdit: boolean;
}) {
  const { placementId, state } = delivery;
  const { data, error, refetch } = api.usePlacementFormsQuery({ params: { placementId } });
  const [act] = api.usePlacementActionMutation();
  const [form, setForm] = useState<Form>('rich');
  const tick = async (action: 'done' | 'not-done'): Promise<void> => {
    const run = (to: typeof action): Promise<unknown> =>
      act({ params: { placementId }, body: { do: to } }).unwrap();
    await run(action);
    if (action === 'done')
      offerUndo(state === 'takedown' ? 'Noted: it is taken down.' : 'Noted: it stands there.', () =>
        run('not-done'),
      );
  };
  if (error && !data) return <Trouble problem={problemOf(error)} retry={() => void refetch()} />;
  if (!data) return <Loading lines={2} />;
  const shown = form === 'text' ? data.text : form === 'markdown' ? data.markdown : data.html;
  const copy = (): Promise<void> =>
    form === 'rich'
      ? copyWords(data.html, data.text, 'Copied, rich and plain.')
      : copyAddress(shown, 'Copied.');
  return (
    <section
      aria-label="What to paste"
      className="mt-2 rounded-small border border-edge bg-paper p-3.5"
    >
      {state === 'takedown' ? (
        <p className="mb-2">Take this down there; its time is over.</p>
      ) : (
        <div role="radiogroup" aria-label="Form" className="mb-2 flex flex-wrap gap-2">
          {(Object.keys(FORMS) as Form[]).map((f) => (
            <button
              key={f}
              type="button"
              role="radio"
              aria-checked={form === f}
              onClick={() => setForm(f)}
              className={`rounded-small border px-2.5 py-0.5 text-sm ${form === f ? 'border-ink bg-ink text-paper' : 'border-edge bg-sheet'}`}
            >
              {FORMS[f]}
            </button>
          ))}
        </div>
      )}
      {form === 'rich' ? (
        <RichWords html={data.html} className="rounded-small border border-line bg-sheet p-3" />
      ) : (
        <pre
          tabIndex={0}
          className="max-h-48 overflow-auto rounded-small border border-line bg-sheet p-3 font-mono text-sm break-words whitespace-pre-wrap"
        >
          {shown}
        </pre>
      )}
      <p className="mt-2.5 flex flex-wrap gap-3">
        {state !== 'takedown' && <Button onClick={() => void copy()}>Copy it</Button>}
        {mayEdit &&
          (state === 'done' ? (
            <Button kind="link" onClick={() => void tick('not-done')}>
              Not done after all
            </Button>
          ) : (
            <Button kind="act" onClick={() => void tick('done')}>
              <Check size={15} aria-hidden="true" />
              {state === 'takedown' ? 'It is taken down' : 'Done, it stands there'}
            </Button>
          ))}
      </p>
    </section>
  );
}
