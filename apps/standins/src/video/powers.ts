import type { Rules, Seat } from './store.js';

/** What a person may do in their seat, by the room's rules. */
export interface Powers {
  speak: boolean;
  camera: boolean;
  present: boolean;
  share: boolean;
  chat: boolean;
  record: boolean;
  send: boolean;
}

export function powersOf(seat: Pick<Seat, 'role' | 'may_share'>, rules: Rules): Powers {
  const host = seat.role === 'host';
  const presents = host || seat.role === 'presenter';
  const watches = seat.role === 'watcher';
  return {
    speak: !watches && (presents || rules.mayUnmute),
    camera: !watches && (host ? rules.hostCamera : rules.camera) !== 'off',
    present: presents,
    share:
      !watches &&
      (Boolean(seat.may_share) ||
        rules.sharing === 'everyone' ||
        host ||
        (rules.sharing === 'presenters' && presents)),
    chat: rules.chat && !watches,
    record: host && rules.recording !== 'off',
    send: host,
  };
}

function microphoneOf({ muted, mic }: Seat): string {
  if (muted) return 'muted';
  return mic ? 'on' : 'open, not switched on';
}

/** A seat as everyone in the room sees it. */
export const shown = (s: Seat) => ({
  name: s.name,
  role: s.role,
  microphone: microphoneOf(s),
  camera: s.camera ? 'on' : 'off',
  presenting: Boolean(s.presenting),
  sharing: s.slide > 0,
});
