import { Suspense, lazy, useState } from 'react';
import { useSearchParams } from 'react-router';
import type { TroubleProps } from './TroubleNote.js';

const TroubleNote = lazy(() => import('./TroubleNote.js'));

/** Why nobody was signed in, where the address of the page says so; what says it is fetched only then. */
export function SignOnTroubleNote(props: TroubleProps) {
  const [query] = useSearchParams();
  const [isTold] = useState(() => query.has('trouble'));
  if (!isTold) return null;
  return (
    <Suspense>
      <TroubleNote {...props} />
    </Suspense>
  );
}
