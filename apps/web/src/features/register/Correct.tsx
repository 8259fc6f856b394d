import { api } from '../../app/api.js';
import { useServerForm } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { ChoicePart } from '../../ui/choices.js';
import { FieldError } from '../../ui/Field.js';
import { TextField } from '../../ui/TextField.js';
import { SAYABLE, type Register, type Row } from './states.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

type Wanted = { status: 'present' | 'partly' | 'absent' | 'excused'; reason: string };

interface CorrectProps {
  row: Row;
  register: Register;
  onDone: () => void;
}

/** What somebody begins with who says something of a person: what stands, or the likeliest. */
const beginning = ({ correction, stands }: Row): Wanted =>
  correction
    ? { status: correction.status, reason: correction.reason }
    : { status: stands === 'present' ? 'absent' : 'present', reason: '' };

/** Says of one person that it was otherwise than measured, and why; or lets what was measured count again. */
function useCorrecting({ row, register: { seriesId, key }, onDone }: CorrectProps) {
  const personId = row.personId!;
  const [correct] = api.useCorrectRegisterMutation();
  const [uncorrect, { isLoading }] = api.useUncorrectRegisterMutation();
  const { version = null } = row.correction ?? {};
  const params = { seriesId };
  const form = useServerForm<Wanted, Wanted, Register>({
    start: beginning(row),
    schema: async () => (await import('@glen/contract/forms')).correctionForm,
    send: (said) => correct({ params, body: { ...said, on: key, personId, version } }),
    onDone,
  });
  const takeBack = async (): Promise<void> => {
    const answer = await uncorrect({ params, body: { on: key, personId, version: version! } });
    if (!answer.error) onDone();
  };
  return { form, takeBack, isTaking: isLoading };
}

/** What a host says of one person, beneath their line. */
export function Correct({ row, register, onDone }: CorrectProps) {
  const { form, takeBack, isTaking } = useCorrecting({ row, register, onDone });
  const { errorAt, watch, change, problem } = form;
  return (
    <form
      className="flex w-full flex-wrap items-start gap-3 pb-2"
      noValidate
      aria-label={fill(say.correctName, { name: row.name })}
      onSubmit={form.submit}
    >
      <p className="mt-7">
        <Said
          as={say.countsAs}
          status={
            <ChoicePart
              label={fill(say.whatCountsAs, { name: row.name })}
              value={watch('status')}
              choices={SAYABLE}
              onChange={(status) => change({ status: status as Wanted['status'] })}
            />
          }
        />
      </p>
      <div className="w-72 max-w-full">
        <TextField
          label={say.because}
          placeholder={say.phoneDiedWas}
          error={errorAt('reason')}
          className="!py-1.5"
          {...form.register('reason')}
        />
      </div>
      <span className="mt-6 flex flex-wrap gap-2">
        <Button type="submit" kind="strong" disabled={form.isSending}>
          {say.saveTheCorrection}
        </Button>
        {row.correction && (
          <Button disabled={isTaking} onClick={() => void takeBack()}>
            {say.letWhatWasMeasuredCount}
          </Button>
        )}
        <Button kind="link" onClick={onDone}>
          {say.leaveIt}
        </Button>
      </span>
      {problem && <FieldError>{problem.title}</FieldError>}
    </form>
  );
}
