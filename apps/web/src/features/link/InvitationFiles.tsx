import QRCode from 'qrcode';
import { dateInWords, sessionIcs } from '@glen/core';
import type { Answer } from '@glen/contract';
import { useNow } from '../../app/clock.js';
import { Button } from '../../ui/Button.js';
import { saveFile } from './saveFile.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type Invitation = Answer<'invitation'>;
type Next = NonNullable<Invitation['next']>;

const slug = (title: string): string =>
  title
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '') || 'session';

const QR = { errorCorrectionLevel: 'M', margin: 4 } as const;
const PNG_WIDTH = 1024;

/** The code goes in where it goes into the invitation. */
const saveIcs = (
  next: Next,
  { title, address, rules }: Invitation,
  { now, withCode }: { now: string; withCode: boolean },
): void =>
  saveFile(
    `${slug(title)}-${next.date}.ics`,
    'text/calendar',
    sessionIcs({
      uid: next.uid,
      sequence: next.version,
      title: next.title,
      description: next.description,
      start: next.start,
      end: next.end,
      cancelled: false,
      address,
      entryCode: withCode ? rules.entryCode : null,
      madeAt: now,
    }),
  );

const saveSvg = async ({ title, address }: Invitation): Promise<void> =>
  saveFile(
    `${slug(title)}-door.svg`,
    'image/svg+xml',
    await QRCode.toString(address, { type: 'svg', ...QR }),
  );

async function savePng({ title, address }: Invitation): Promise<void> {
  const canvas = document.createElement('canvas');
  await QRCode.toCanvas(canvas, address, { width: PNG_WIDTH, ...QR });
  canvas.toBlob((blob) => {
    if (blob) saveFile(`${slug(title)}-door.png`, 'image/png', blob);
  });
}

/** A link as a file: a QR code of its door, and the next session for a calendar. */
export function InvitationFiles({
  invitation,
  withCode,
}: {
  invitation: Invitation;
  withCode: boolean;
}) {
  const now = useNow();
  const { next } = invitation;
  return (
    <div className="flex flex-wrap gap-2.5">
      <Button onClick={() => void saveSvg(invitation)}>{say.qrCodeSvg}</Button>
      <Button onClick={() => void savePng(invitation)}>{say.qrCodePng}</Button>
      {next && (
        <Button onClick={() => saveIcs(next, invitation, { now, withCode })}>
          {fill(say.calendarFile, { date: dateInWords(next.date), time: next.time })}
        </Button>
      )}
    </div>
  );
}
