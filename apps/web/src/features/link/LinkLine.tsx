import { Suspense, lazy, useState } from 'react';
import type { ClassItem } from '@glen/contract';
import { Button } from '../../ui/Button.js';
import { copyAddress } from './copy.js';
import * as say from './words.js';

const CopyAs = lazy(() => import('./CopyAs.js'));

interface CopyProps {
  link: Pick<ClassItem['link'], 'id' | 'address'>;
  composingAtOnce?: boolean;
}

/** The two ways to take a link along: its bare address at one press, or composed. */
export function CopyButtons({ link, composingAtOnce = false }: CopyProps) {
  const [composing, setComposing] = useState(composingAtOnce);
  return (
    <>
      <Button onClick={() => void copyAddress(link.address)}>{say.copyLink}</Button>
      <Button aria-haspopup="dialog" onClick={() => setComposing(true)}>
        {say.copyAsDots}
      </Button>
      {composing && (
        <Suspense fallback={null}>
          <CopyAs linkId={link.id} onClose={() => setComposing(false)} />
        </Suspense>
      )}
    </>
  );
}
