import { Popover } from 'radix-ui';
import { useState } from 'react';
import { adviseRemoving } from '@glen/core';
import { api } from '../../app/api.js';
import { Button } from '../../ui/Button.js';
import * as say from './words.js';

interface RemoveProps {
  linkId: number;
  draft: boolean;
  label: string;
  remove: () => void;
}

/** What is known of who could have seen it, and what is better done. */
function Advice({ linkId, draft, label, remove }: RemoveProps) {
  const params = { linkId };
  const { data } = api.useLinkPlacesQuery({ params });
  const { data: link } = api.useLinkQuery({ params });
  if (!data || !link) return null;
  const places = data.places.filter((place) => !place.pending).length;
  const { advises, text } = adviseRemoving({ draft, people: link.audienceSize, places });
  return (
    <div className="grid gap-2.5">
      <p>{text}</p>
      <p className="text-md text-soft">
        {advises === 'cancel' ? say.betterCancelItUnlessIt : say.removingItIsRight}
      </p>
      <Button kind="danger" onClick={remove}>
        {label}
      </Button>
    </div>
  );
}

/** Takes something ahead off the books as if it had never been; who could have seen it is said first. */
export function RemovePart(props: RemoveProps) {
  const [isOpen, setOpen] = useState(false);
  return (
    <Popover.Root open={isOpen} onOpenChange={setOpen}>
      <Popover.Trigger asChild>
        <Button>{say.removeDots}</Button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={6}
          collisionPadding={8}
          aria-label={say.removeTheSession}
          className="z-30 w-80 max-w-view rounded-small border border-line bg-sheet p-3.5 text-ink shadow-soft"
        >
          <Advice {...props} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
