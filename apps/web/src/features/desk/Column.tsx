import type { ReactNode } from 'react';
import type { DeskVisitor } from '@glen/contract';
import { kindInWords } from '../accounts/kindInWords.js';
import * as say from './words.js';

function accountInWords({ account, notProven }: DeskVisitor): string {
  if (account === 'school' || account === 'personal') return kindInWords(account);
  if (account === 'phone') return say.byPhone;
  return notProven ? say.notSignedInThisName : say.notSignedInShort;
}

/** What a visitor may do, where that is more than take part. */
function roleInWords({ role, mayPresent, mayShare }: DeskVisitor): string {
  if (role === 'host') return say.host;
  if (role === 'watcher') return say.watchesOnly;
  const presents = mayPresent ? say.presentsForAWhile : say.presenter;
  return [role === 'presenter' && presents, mayShare && say.mayShareForAWhile]
    .filter(Boolean)
    .join(' · ');
}

function rollInWords({ role, onRoll }: DeskVisitor): string {
  if (role === 'host') return '';
  return onRoll ? say.onTheRoll : say.notOnTheRoll;
}

export function Column({
  title,
  count,
  children,
  action,
}: {
  title: string;
  count: number;
  children: ReactNode;
  action?: ReactNode;
}) {
  return (
    <section aria-label={title} className="min-w-0">
      <div className="mb-1 flex min-h-9 items-center justify-between gap-3">
        <h2 className="text-base">
          {title} <span className="text-soft">{count}</span>
        </h2>
        {action}
      </div>
      {children}
    </section>
  );
}

/** A person at the door or in the room, with what a host must know and may do. */
export function Who({
  visitor,
  more,
  below,
  children,
}: {
  visitor: DeskVisitor;
  more?: ReactNode;
  /** What is asked about them. */
  below?: ReactNode;
  children: ReactNode;
}) {
  return (
    <li className="border-t border-line py-2">
      <div className="flex flex-wrap items-center gap-x-2.5 gap-y-1">
        <span className="min-w-0 flex-1 basis-30 font-semibold break-words">{visitor.name}</span>
        {children && <span className="flex flex-wrap items-center gap-2.5">{children}</span>}
      </div>
      <p className="text-sm text-soft">
        {[roleInWords(visitor), accountInWords(visitor), rollInWords(visitor)]
          .filter(Boolean)
          .join(' · ')}
        {more && (
          <>
            <br />
            {more}
          </>
        )}
      </p>
      {below}
    </li>
  );
}
