import { Suspense, lazy, useState } from 'react';
import type { ClassItem } from '@glen/contract';
import { Button } from '../../ui/Button.js';
import { copyAddress } from './copy.js';

const CopyAs = lazy(() => import('./CopyAs.js'));

/** The two ways to take a link along: its bare address at one press, or composed. */
export function CopyButtons({
  of,
  composingAtOnce = false,
}: {
  of: { link: Pick<ClassItem['link'], 'id' | 'address'> };
  composingAtOnce?: boolean;
}) {
  const [composing, setComposing] = useState(composingAtOnce);
  return (
    <>
      <Button onClick={() => void copyAddress(of.link.address)}>Copy link</Button>
      <Button aria-haspopup="dialog" onClick={() => setComposing(true)}>
        Copy as…
      </Button>
      {composing && (
        <Suspense fallback={null}>
          <CopyAs linkId={of.link.id} onClose={() => setComposing(false)} />
        </Suspense>
      )}
    </>
  );
}
