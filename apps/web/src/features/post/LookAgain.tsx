import { toast } from '../../ui/toast.js';
import { api, problemOf } from '../../app/api.js';
import { Button } from '../../ui/Button.js';

function missingInWords(missing: number): string {
  if (missing === 0) return 'All that Glen put there stands there.';
  return missing === 1
    ? 'One thing is not there any more.'
    : `${missing} things are not there any more.`;
}

/** Holds what Glen has put on the course site against what stands there. */
export function LookAgain({ classId }: { classId: number }) {
  const [look, { isLoading }] = api.useLookAtSiteMutation();
  const run = async (): Promise<void> => {
    const { data, error } = await look({ params: { classId } });
    if (data) toast(missingInWords(data.missing));
    else toast.error(problemOf(error)?.title ?? 'That did not work.');
  };
  return (
    <Button kind="link" disabled={isLoading} onClick={() => void run()}>
      Look whether it all still stands there
    </Button>
  );
}
