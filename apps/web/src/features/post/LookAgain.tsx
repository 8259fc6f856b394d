import { toast } from '../../ui/toast.js';
import { api, problemOf } from '../../app/api.js';
import { Button } from '../../ui/Button.js';
import { many } from '../../ui/fill.js';
import * as say from './words.js';

function missingInWords(missing: number): string {
  if (missing === 0) return say.allThatGlenPutThere;
  return many(say.thingsAreNotThereAnyMore, missing);
}

/** Holds what Glen has put on the course site against what stands there. */
export function LookAgain({ classId }: { classId: number }) {
  const [look, { isLoading }] = api.useLookAtSiteMutation();
  const run = async (): Promise<void> => {
    const { data, error } = await look({ params: { classId } });
    if (data) toast(missingInWords(data.missing));
    else toast.error(problemOf(error)?.title ?? say.thatDidNotWork);
  };
  return (
    <Button kind="link" disabled={isLoading} onClick={() => void run()}>
      {say.lookWhetherItAllStill}
    </Button>
  );
}
