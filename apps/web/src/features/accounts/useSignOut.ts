import { api } from '../../app/api.js';
import { dropAllHalves } from '../../app/halfWritten.js';
import { restartLive } from '../../app/live.js';
import { keepSignedOut } from './SignedOutThere.js';

/** Signs out of every account at this browser; what was half written here is forgotten with it. */
export function useSignOut(): () => void {
  const [signOut] = api.useSignOutMutation();
  return () =>
    void signOut().then(({ data }) => {
      keepSignedOut(data);
      dropAllHalves();
      restartLive();
    });
}
