import { X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import type { Answer } from '@glen/contract';
import { api } from '../../app/api.js';
import { Loaded } from '../../app/Loaded.js';
import { InvitationFiles } from './InvitationFiles.js';
import { InvitationParts } from './InvitationParts.js';
import { InvitationShown } from './InvitationShown.js';
import { useInvitation } from './useInvitation.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

function Composer({ invitation }: { invitation: Answer<'invitation'> }) {
  const composing = useInvitation(invitation);
  return (
    <div className="grid gap-x-8 gap-y-5 md:grid-cols-[17rem_1fr]">
      <InvitationParts composing={composing} />
      <InvitationShown composing={composing} />
      <section aria-label={say.files} className="border-t border-line pt-4 md:col-span-2">
        <h3 className="mb-2 text-sm font-semibold">{say.orTakeIt}</h3>
        <InvitationFiles invitation={invitation} withCode={composing.parts.includes('code')} />
      </section>
    </div>
  );
}

/** Composes what is said with a link, shows it, and copies it in the wished form. */
export default function CopyAs({ linkId, onClose }: { linkId: number; onClose: () => void }) {
  const asked = api.useInvitationQuery({ params: { linkId } });
  return (
    <Dialog.Root
      open
      onOpenChange={(open) => {
        if (!open) onClose();
      }}
    >
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-30 bg-bar/40" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-1/2 left-1/2 z-40 max-h-view-full w-215 max-w-view -translate-x-1/2 -translate-y-1/2 overflow-auto rounded-big border border-edge bg-sheet p-6 text-ink shadow-soft"
        >
          <div className="mb-4 flex items-start justify-between gap-4">
            <Dialog.Title className="text-xl">
              {asked.data
                ? fill(say.takeAlongTheLinkOf, { title: asked.data.title })
                : say.takeTheLinkAlong}
            </Dialog.Title>
            <Dialog.Close aria-label={say.close} className="rounded-small p-1">
              <X size={18} aria-hidden="true" />
            </Dialog.Close>
          </div>
          <Loaded asked={asked} lines={5} isPart>
            {(invitation) => <Composer invitation={invitation} />}
          </Loaded>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
