import { endpoints, type LiveChange } from '@glen/contract';
import { EVERYTHING, api, tagsOf } from './api.js';
import { store } from './store.js';

/**
 * One stream of changes per browser, shared between its tabs: a browser allows six connections a host,
 * and a teacher with seven tabs would otherwise hear nothing. The tab that holds the lock listens and tells the rest.
 */
type Word =
  | { say: 'change'; change: LiveChange }
  | { say: 'again' }
  | { say: 'doors'; tab: string; doors: string[] }
  | { say: 'who-watches' }
  | { say: 'restart' };

const LOCK = 'glen-live';
const RETRY_MS = 1000;
const tab = crypto.randomUUID();
const channel = new BroadcastChannel('glen-live');
const ownDoors = new Set<string>();
const doorsOfTabs = new Map<string, string[]>();
let source: EventSource | undefined;
let leading = false;

function heard(change: LiveChange): void {
  store.dispatch(api.util.invalidateTags(tagsOf[change.thing]));
}

/** After a gap anything may have changed. */
function askAgain(): void {
  store.dispatch(api.util.invalidateTags(EVERYTHING));
}

function tell(word: Word): void {
  channel.postMessage(word);
}

function listen(): void {
  if (!leading) return;
  source?.close();
  const doors = [...new Set([...ownDoors, ...[...doorsOfTabs.values()].flat()])];
  const stream = new EventSource(
    `${endpoints.live.path}${doors.length ? `?doors=${encodeURIComponent(doors.join(','))}` : ''}`,
  );
  source = stream;
  stream.addEventListener('hello', () => {
    askAgain();
    tell({ say: 'again' });
  });
  stream.onmessage = ({ data }: MessageEvent<string>) => {
    const change = JSON.parse(data) as LiveChange;
    heard(change);
    tell({ say: 'change', change });
  };
  stream.onerror = () => {
    if (stream.readyState === EventSource.CLOSED)
      setTimeout(() => {
        if (source === stream) listen();
      }, RETRY_MS);
  };
}

channel.onmessage = ({ data }: MessageEvent<Word>) => {
  switch (data.say) {
    case 'change':
      return heard(data.change);
    case 'again':
      return askAgain();
    case 'who-watches':
      if (ownDoors.size > 0) tell({ say: 'doors', tab, doors: [...ownDoors] });
      return;
    case 'restart':
      return listen();
    case 'doors':
      if (JSON.stringify(doorsOfTabs.get(data.tab) ?? []) === JSON.stringify(data.doors)) return;
      doorsOfTabs.set(data.tab, data.doors);
      return listen();
  }
};

function lead(): void {
  leading = true;
  tell({ say: 'who-watches' });
  listen();
}

/** Begins to hear of changes; the tab that closes hands over to another by itself. */
export function startLive(): void {
  // eslint-disable-next-line @typescript-eslint/no-unnecessary-condition -- an older browser, or a page without https, has none
  if (!navigator.locks) return lead();
  void navigator.locks.request(LOCK, () => {
    lead();
    return new Promise<void>(() => {});
  });
}

/** After signing in, out or over, the stream is for somebody else. */
export function restartLive(): void {
  if (leading) listen();
  else tell({ say: 'restart' });
}

/** Hears of one door while its page is open; gives the way to stop. */
export function watchDoor(code: string): () => void {
  ownDoors.add(code);
  if (leading) listen();
  else tell({ say: 'doors', tab, doors: [...ownDoors] });
  return () => {
    ownDoors.delete(code);
    if (!leading) tell({ say: 'doors', tab, doors: [...ownDoors] });
  };
}
