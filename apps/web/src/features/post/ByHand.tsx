import { Check } from 'lucide-react';
import { useState } from 'react';
import type { Answer, Post } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { Loaded } from '../../app/Loaded.js';
import { offerUndo } from '../../app/undo.js';
import { Button } from '../../ui/Button.js';
import { PickOne } from '../../ui/PickOne.js';
import { RichWords } from '../../ui/RichWords.js';
import { toast } from '../../ui/toast.js';
import { copyAddress, copyWords } from '../link/copy.js';
import { saveFile } from '../link/saveFile.js';
import * as say from './words.js';

type Delivery = Post['deliveries'][number] & { placementId: number };
type Forms = Answer<'placementForms'>;

const FORMS = [
  ['rich', say.rich],
  ['text', say.plainText],
  ['markdown', say.markdown],
  ['html', 'HTML'],
] as const;
type Form = (typeof FORMS)[number][0];

const WhatToPaste = ({ forms, form }: { forms: Forms; form: Form }) =>
  form === 'rich' ? (
    <RichWords html={forms.html} className="rounded-small border border-line bg-sheet p-3" />
  ) : (
    <pre
      tabIndex={0}
      className="max-h-48 overflow-auto rounded-small border border-line bg-sheet p-3 font-mono text-sm break-words whitespace-pre-wrap"
    >
      {forms[form]}
    </pre>
  );

/** Notes that something by hand is done; that can be taken back. */
function useTick({ placementId, state }: Delivery) {
  const [act] = api.usePlacementActionMutation();
  const tell = (what: 'done' | 'not-done'): Promise<unknown> =>
    act({ params: { placementId }, body: { do: what } }).unwrap();
  const done = async (): Promise<void> => {
    await tell('done');
    const noted = state === 'takedown' ? say.notedItIsTakenDown : say.notedItStandsThere;
    offerUndo(noted, () => tell('not-done'));
  };
  return { done, notDone: () => tell('not-done') };
}

function Tick({ delivery }: { delivery: Delivery }) {
  const { done, notDone } = useTick(delivery);
  if (delivery.state === 'done')
    return (
      <Button kind="link" onClick={() => void notDone()}>
        {say.notDoneAfterAll}
      </Button>
    );
  return (
    <Button kind="act" onClick={() => void done()}>
      <Check size={15} aria-hidden="true" />
      {delivery.state === 'takedown' ? say.itIsTakenDown : say.doneItStandsThere}
    </Button>
  );
}

/** For one's own mail program, with all who read it. */
function AsLetter({ placementId }: { placementId: number }) {
  const [ask, { isLoading }] = api.usePlacementLetterMutation();
  const save = async (): Promise<void> => {
    const { data, error } = await ask({ params: { placementId } });
    if (error) return void toast.error(problemOf(error)!.title);
    saveFile('letter.eml', 'message/rfc822', data.eml);
    toast(say.aLetterIsSavedOpen);
  };
  return (
    <Button disabled={isLoading} onClick={() => void save()}>
      {say.saveItAsALetter}
    </Button>
  );
}

interface ByHandProps {
  delivery: Delivery;
  mayEdit: boolean;
}

function Pasting({ delivery, mayEdit, forms }: ByHandProps & { forms: Forms }) {
  const [form, setForm] = useState<Form>('rich');
  const isTakedown = delivery.state === 'takedown';
  const copy = (): Promise<void> =>
    form === 'rich'
      ? copyWords(forms.html, forms.text, say.copiedRichAndPlain)
      : copyAddress(forms[form], say.copied);
  return (
    <section
      aria-label={say.whatToPaste}
      className="mt-2 rounded-small border border-edge bg-paper p-3.5"
    >
      {isTakedown ? (
        <p className="mb-2">{say.takeThisDownThere}</p>
      ) : (
        <div className="mb-2">
          <PickOne small label={say.form} value={form} choices={FORMS} onChange={setForm} />
        </div>
      )}
      <WhatToPaste forms={forms} form={form} />
      <p className="mt-2.5 flex flex-wrap gap-3">
        {!isTakedown && <Button onClick={() => void copy()}>{say.copyTheText}</Button>}
        {!isTakedown && mayEdit && <AsLetter placementId={delivery.placementId} />}
        {mayEdit && <Tick delivery={delivery} />}
      </p>
    </section>
  );
}

/** What to paste at a place that Glen cannot fill, in each form, and the tick when it is done. */
export function ByHand({ delivery, mayEdit }: ByHandProps) {
  const asked = api.usePlacementFormsQuery({ params: { placementId: delivery.placementId } });
  return (
    <Loaded asked={asked} lines={2} isPart>
      {(forms) => <Pasting delivery={delivery} mayEdit={mayEdit} forms={forms} />}
    </Loaded>
  );
}
