import { endpoints, type LiveChange } from '@glen/contract';
import { api } from './api.js';
import { EVERYTHING, tagsOf } from './tags.js';
import { lookForServer, noteGone } from './reaching.js';
import { store } from './store.js';

/**
 * One stream of changes per browser, shared between its tabs: a browser allows six connections a host,
 * and a teacher with seven tabs would otherwise hear nothing. The tab that holds the lock listens and tells the rest.
 */
type Word =
  | { say: 'change'; change: LiveChange }
  | { say: 'again' }
  | { say: 'gone'; isGone: boolean }
  | { say: 'doors'; tab: string; doors: string[] }
  | { say: 'who-watches' }
  | { say: 'restart' };

const LOCK = 'glen-live';
const RETRY_MS = 1000;
/** The server says that it is there every 20 seconds; a stream that is silent for longer than two of these is dead. */
const SILENT_MS = 45000;
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

/** The stream has broken: whether the server is there is told to every tab, until it is. */
function lookAround(): void {
  void lookForServer((isGone) => {
    noteGone(isGone);
    tell({ say: 'gone', isGone });
  });
}

let silence = 0;

/** Begins anew with a stream that nothing has come by for too long. */
function stillHears(stream: EventSource): void {
  clearTimeout(silence);
  silence = window.setTimeout(() => {
    if (source !== stream) return;
    lookAround();
    listen();
  }, SILENT_MS);
}

function listen(): void {
  if (!leading) return;
  source?.close();
  const doors = [...new Set([...ownDoors, ...[...doorsOfTabs.values()].flat()])];
  const stream = new EventSource(
    `${endpoints.live.path}${doors.length ? `?doors=${encodeURIComponent(doors.join(','))}` : ''}`,
  );
  source = stream;
  stillHears(stream);
  stream.addEventListener('beat', () => stillHears(stream));
  stream.addEventListener('hello', () => {
    stillHears(stream);
    noteGone(false);
    askAgain();
    tell({ say: 'again' });
  });
  stream.onmessage = ({ data }: MessageEvent<string>) => {
    stillHears(stream);
    const change = JSON.parse(data) as LiveChange;
    heard(change);
    tell({ say: 'change', change });
  };
  stream.onerror = () => {
    lookAround();
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
      noteGone(false);
      return askAgain();
    case 'gone':
      return noteGone(data.isGone);
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
  window.addEventListener('offline', lookAround);
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
