import { toast } from 'sonner';
import { api, problemOf } from '../../app/api.js';
import { Button } from '../../ui/Button.js';
import { ChoicePart } from '../../ui/choices.js';
import { copyAddress } from './copy.js';

const COMES = [
  { value: 'inside', label: 'comes as one of the others' },
  { value: 'speaker', label: 'speaks: presents, and goes straight in' },
];

interface GuestRowProps {
  linkId: number;
  email: string;
  speaks: boolean;
  onSpeaks: (speaks: boolean) => void;
}

/** How a guest comes who is meant by their address, and the way in that a host sends them. */
export function GuestRow({ linkId, email, speaks, onSpeaks }: GuestRowProps) {
  const [make, { isLoading }] = api.useGuestAddressMutation();
  const copy = async (): Promise<void> => {
    const { data, error } = await make({ params: { linkId }, body: { email } });
    if (!data) toast.error(problemOf(error)!.title);
    else await copyAddress(data.address, `Copied: send it to ${email} alone. It works once.`);
  };
  return (
    <span className="flex flex-wrap items-center gap-x-3 gap-y-1">
      <ChoicePart
        label={`How ${email} comes`}
        value={speaks ? 'speaker' : 'inside'}
        marked={false}
        choices={COMES}
        onChange={(comes) => onSpeaks(comes === 'speaker')}
      />
      <Button
        kind="link"
        disabled={isLoading}
        aria-label={`Copy the way in for ${email}`}
        onClick={() => void copy()}
      >
        Copy their way in
      </Button>
    </span>
  );
}
