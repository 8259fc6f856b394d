import { useState } from 'react';
import type { Account, Answer, Sent } from '@glen/contract';
import { toast } from '../../ui/toast.js';
import { api } from '../../app/api.js';
import { useServerForm } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { TextField } from '../../ui/TextField.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type Typed = Sent<'changeAddress'>;

const schema = async () => (await import('@glen/contract/forms')).changeAddressBody;

interface FormProps {
  account: Account;
  onClose: () => void;
}

function Form({ account, onClose }: FormProps) {
  const [change] = api.useChangeAddressMutation();
  const { register, formState, problem, submit } = useServerForm<
    Typed,
    Typed,
    Answer<'changeAddress'>
  >({
    start: { accountId: account.id, email: account.email, now: '' },
    schema,
    send: (body) => change({ body }),
    onDone: () => {
      toast(say.youSign);
      onClose();
    },
  });
  const { errors, isSubmitting } = formState;
  return (
    <form className="mt-2 flex flex-wrap items-start gap-3" noValidate onSubmit={submit}>
      <div className="w-64">
        <TextField
          label={say.theNewAddress}
          type="email"
          error={errors.email?.message}
          {...register('email')}
        />
      </div>
      <div className="w-64">
        <TextField
          label={say.yourPassword}
          type="password"
          autoComplete="current-password"
          error={errors.now?.message}
          {...register('now')}
        />
      </div>
      <p className="mt-6 flex gap-3">
        <Button type="submit" className="py-2" disabled={isSubmitting}>
          {say.changeIt}
        </Button>
        <Button onClick={onClose}>{say.leaveIt}</Button>
      </p>
      {problem && <FieldError>{problem.title}</FieldError>}
    </form>
  );
}

/** Another address for one of one's own accounts. */
export function NewAddress({ account }: { account: Account }) {
  const [isOpen, setOpen] = useState(false);
  if (isOpen) return <Form account={account} onClose={() => setOpen(false)} />;
  return (
    <p>
      <Button
        kind="link"
        aria-label={fill(say.changeTheAddress, { email: account.email })}
        onClick={() => setOpen(true)}
      >
        {say.changeIt}
      </Button>
    </p>
  );
}
