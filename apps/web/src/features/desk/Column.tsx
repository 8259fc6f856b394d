import type { ReactNode } from 'react';
import type { DeskVisitor } from '@glen/contract';
import { kindInWords } from '../accounts/AccountMenu.js';

const accountInWords = (v: DeskVisitor): string =>
  v.account === 'school' || v.account === 'personal'
    ? kindInWords(v.account)
    : v.account === 'phone'
      ? 'by phone'
      : 'not signed in';

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
  children,
}: {
  visitor: DeskVisitor;
  more?: ReactNode;
  children: ReactNode;
}) {
  const role =
    visitor.role === 'host'
      ? 'host · '
      : visitor.role === 'presenter'
        ? visitor.mayPresent
          ? 'presents for a while · '
          : 'presenter · '
        : '';
  return (
    <li className="border-t border-line py-2">
      <div className="flex flex-wrap items-center gap-x-2.5 gap-y-1">
        <span className="min-w-0 flex-1 basis-30 font-semibold break-words">{visitor.name}</span>
        {children}
      </div>
      <p className="text-sm text-soft">
        {role}
        {accountInWords(visitor)}
        {visitor.role === 'host' ? '' : visitor.onRoll ? ' · on the roll' : ' · not on the roll'}
        {more && (
          <>
            <br />
            {more}
          </>
        )}
      </p>
    </li>
  );
}
