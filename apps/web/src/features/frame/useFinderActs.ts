import { areOffice } from '@glen/core/light';
import { useNavigate } from 'react-router';
import { api } from '../../app/api.js';
import { restartLive } from '../../app/live.js';
import { lastDone, undoLast } from '../../app/undo.js';
import { useSignOut } from '../accounts/useSignOut.js';
import { openDoor } from '../desk/openDoor.js';
import { copyAddress } from '../link/copy.js';
import { mayMakeClasses } from '../school/mayMakeClasses.js';
import type { Acts } from './finderEntries.js';

/** So long a page has to stand before it is printed. */
const PRINT_AFTER_MS = 300;

/** What choosing something does; each closes the finder first. */
export function useFinderActs(close: () => void): Acts {
  const navigate = useNavigate();
  const { data: me } = api.useMeQuery();
  const [open] = api.useOpenDoorMutation();
  const [switchAccount] = api.useSwitchAccountMutation();
  const signOut = useSignOut();
  const go = (path: string): void => {
    close();
    void navigate(path);
  };
  return {
    mayMake: me !== undefined && mayMakeClasses(me),
    lastDone: lastDone(),
    isOffice: areOffice(me?.person?.roles ?? []),
    go,
    copyAddress: (address, toast) => {
      close();
      void copyAddress(address, toast);
    },
    openDoorOf: (linkId) => {
      go(`/desk/${linkId}`);
      void openDoor(open, linkId);
    },
    undo: () => {
      close();
      void undoLast();
    },
    print: (path) => {
      go(path);
      setTimeout(() => window.print(), PRINT_AFTER_MS);
    },
    switchTo: (accountId) => {
      close();
      void switchAccount({ body: { accountId } }).then(restartLive);
    },
    signOut: () => {
      close();
      signOut();
    },
  };
}
