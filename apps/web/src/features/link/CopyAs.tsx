import { X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import QRCode from 'qrcode';
import {
  INVITATION_PARTS,
  dateInWords,
  offeredParts,
  renderInvitation,
  reviewInvitation,
  sessionIcs,
  type EntryRules,
  type InvitationFacts,
  type InvitationPart,
  type NoteAction,
} from '@glen/core';
import type { Answer } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { useNow } from '../../app/clock.js';
import { Button } from '../../ui/Button.js';
import { Field, inputClass } from '../../ui/Field.js';
import { Loading, Trouble } from '../../ui/States.js';
import { NoteList } from '../../ui/Margin.js';
import { copyAddress, copyWords } from './copy.js';
import { saveFile } from './saveFile.js';

type Invitation = Answer<'invitation'>;

const PART_WORDS: Record<InvitationPart, string> = {
  words: 'Words with the link',
  when: 'When',
  address: 'The address, written out',
  code: 'The entry code',
  howTo: 'How to get in',
  phone: 'The phone number',
};
const FORMS = { rich: 'As it will look', text: 'Plain text', markdown: 'Markdown' } as const;
type Form = keyof typeof FORMS;

const factsOf = (invitation: Invitation, linkWords: string): InvitationFacts => ({
  title: invitation.title,
  host: invitation.host,
  address: invitation.address,
  linkWords,
  rules: invitation.rules as EntryRules,
  phoneNumber: invitation.phoneNumber,
  when: invitation.next,
});

const slug = (title: string): string =>
  title
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '') || 'session';

function Files({ invitation, now }: { invitation: Invitation; now: string }) {
  const { next, address, title } = invitation;
  const name = slug(title);
  const ics = (): void => {
    const { uid, version, title: what, description, start, end } = next!;
    saveFile(
      `${name}-${next!.date}.ics`,
      'text/calendar',
      sessionIcs({
        uid,
        sequence: version,
        title: what,
        description,
        start,
        end,
        cancelled: false,
        address,
        madeAt: now,
      }),
    );
  };
  const svg = async (): Promise<void> =>
    saveFile(
      `${name}-door.svg`,
      'image/svg+xml',
      await QRCode.toString(address, { type: 'svg', errorCorrectionLevel: 'M', margin: 4 }),
    );
  const png = async (): Promise<void> => {
    const canvas = document.createElement('canvas');
    await QRCode.toCanvas(canvas, address, { width: 1024, errorCorrectionLevel: 'M', margin: 4 });
    canvas.toBlob((blob) => {
      if (blob) saveFile(`${name}-door.png`, 'image/png', blob);
    });
  };
  return (
    <div className="flex flex-wrap gap-2.5">
      <Button onClick={() => void svg()}>QR code, SVG</Button>
      <Button onClick={() => void png()}>QR code, PNG</Button>
      {next && (
        <Button onClick={ics}>
          Calendar file, {dateInWords(next.date)} {next.time}
        </Button>
      )}
    </div>
  );
}

function Composer({ invitation }: { invitation: Invitation }) {
  const now = useNow();
  const [linkWords, setLinkWords] = useState(
    invitation.next
      ? `${invitation.next.title}, ${dateInWords(invitation.next.date)} ${invitation.next.time}`
      : invitation.title,
  );
  const [parts, setParts] = useState<InvitationPart[]>(['words']);
  const [readers, setReaders] = useState<'class' | 'public'>('class');
  const [form, setForm] = useState<Form>('rich');
  const facts = factsOf(invitation, linkWords);
  const offered = offeredParts(facts);
  const toggle = (part: InvitationPart, on: boolean): void =>
    setParts((p) => (on ? [...p, part] : p.filter((x) => x !== part)));
  const act = ({ name }: NoteAction): void => toggle('code', name === 'put-in-code');
  const html = renderInvitation(parts, facts, 'html');
  const text = renderInvitation(parts, facts, 'text');
  const markdown = renderInvitation(parts, facts, 'markdown');
  const copy = (): Promise<void> =>
    form === 'rich'
      ? copyWords(html, text, 'Copied, rich and plain.')
      : copyAddress(form === 'text' ? text : markdown, 'Copied.');
  return (
    <div className="grid gap-x-8 gap-y-5 md:grid-cols-[17rem_1fr]">
      <div className="grid content-start gap-4">
        <fieldset>
          <legend className="mb-1 text-sm font-semibold">What goes in</legend>
          {offered.map((part) => (
            <label key={part} className="flex items-center gap-2.5 py-0.5">
              <input
                type="checkbox"
                checked={parts.includes(part)}
                onChange={(e) => toggle(part, e.target.checked)}
              />
              {PART_WORDS[part]}
            </label>
          ))}
          <p className="mt-1.5 flex gap-4">
            <Button kind="link" onClick={() => setParts([...INVITATION_PARTS])}>
              The whole invitation
            </Button>
            <Button kind="link" onClick={() => setParts(['words'])}>
              Words only
            </Button>
          </p>
        </fieldset>
        {parts.includes('words') && (
          <Field label="The words that are the link">
            {(p) => (
              <input
                {...p}
                className={inputClass}
                maxLength={200}
                value={linkWords}
                onChange={(e) => setLinkWords(e.target.value)}
              />
            )}
          </Field>
        )}
        <fieldset>
          <legend className="mb-1 text-sm font-semibold">Who will read it</legend>
          <label className="flex items-center gap-2.5 py-0.5">
            <input
              type="radio"
              name="readers"
              checked={readers === 'class'}
              onChange={() => setReaders('class')}
            />
            The class, or whom I send it to
          </label>
          <label className="flex items-center gap-2.5 py-0.5">
            <input
              type="radio"
              name="readers"
              checked={readers === 'public'}
              onChange={() => setReaders('public')}
            />
            Anyone: it goes on a public page
          </label>
        </fieldset>
      </div>
      <div className="grid min-w-0 content-start gap-3">
        <div role="radiogroup" aria-label="Form" className="flex flex-wrap gap-2">
          {(Object.keys(FORMS) as Form[]).map((f) => (
            <button
              key={f}
              type="button"
              role="radio"
              aria-checked={form === f}
              onClick={() => setForm(f)}
              className={`rounded-small border px-3 py-1 text-[15px] ${form === f ? 'border-ink bg-ink text-paper' : 'border-edge bg-sheet'}`}
            >
              {FORMS[f]}
            </button>
          ))}
        </div>
        <section
          aria-label="What will be copied"
          tabIndex={0}
          className="max-h-64 min-h-40 overflow-auto rounded-small border border-edge bg-paper p-4 break-words"
        >
          {parts.length === 0 && <p className="text-soft">Nothing is chosen.</p>}
          {form === 'rich' ? (
            // renderInvitation escapes everything typed; what it gives holds only its own marks.
            <div
              className="[&_a]:text-loch-deep [&_a]:underline [&_p+p]:mt-2"
              dangerouslySetInnerHTML={{ __html: html }}
            />
          ) : (
            <pre className="font-mono text-sm whitespace-pre-wrap">
              {form === 'text' ? text : markdown}
            </pre>
          )}
        </section>
        <NoteList notes={reviewInvitation(parts, facts, readers)} onAction={act} />
        <div>
          <Button kind="act" disabled={parts.length === 0} onClick={() => void copy()}>
            {form === 'rich'
              ? 'Copy it, rich and plain'
              : `Copy it as ${form === 'text' ? 'plain text' : 'Markdown'}`}
          </Button>
        </div>
      </div>
      <section aria-label="Files" className="border-t border-line pt-4 md:col-span-2">
        <h3 className="mb-2 text-sm font-semibold">Or take it as a file</h3>
        <Files invitation={invitation} now={now} />
      </section>
    </div>
  );
}

/** Composes what is said with a link, shows it, and copies it in the wished form. */
export default function CopyAs({ linkId, onClose }: { linkId: number; onClose: () => void }) {
  const { data, error, refetch } = api.useInvitationQuery({ params: { linkId } });
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
          className="fixed top-1/2 left-1/2 z-40 max-h-[92vh] w-215 max-w-[94vw] -translate-x-1/2 -translate-y-1/2 overflow-auto rounded-big border border-edge bg-sheet p-6 text-ink shadow-soft"
        >
          <div className="mb-4 flex items-start justify-between gap-4">
            <Dialog.Title className="text-xl">
              Take the link along{data ? `: ${data.title}` : ''}
            </Dialog.Title>
            <Dialog.Close aria-label="Close" className="rounded-small p-1">
              <X size={18} aria-hidden="true" />
            </Dialog.Close>
          </div>
          {data ? (
            <Composer invitation={data} />
          ) : error ? (
            <Trouble problem={problemOf(error)} retry={() => void refetch()} />
          ) : (
            <Loading lines={5} />
          )}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
