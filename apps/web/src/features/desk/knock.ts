import { useEffect, useRef, useSyncExternalStore } from 'react';
import { tellInBrowser } from '../../app/browserNotices.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

const KEPT = 'glen-knock-sound';
const listeners = new Set<() => void>();

/** Whether a knock is heard on this device; kept in the browser. */
export function useKnockSound(): [boolean, (on: boolean) => void] {
  const on = useSyncExternalStore(
    (changed) => {
      listeners.add(changed);
      return () => listeners.delete(changed);
    },
    () => localStorage.getItem(KEPT) !== 'off',
  );
  return [
    on,
    (wanted) => {
      localStorage.setItem(KEPT, wanted ? 'on' : 'off');
      listeners.forEach((tell) => tell());
    },
  ];
}

let audio: AudioContext | undefined;

/** Two soft knocks on wood, made here so that no file is needed. */
function knock(): void {
  audio ??= new AudioContext();
  void audio.resume();
  for (const [i, pitch] of [196, 147].entries()) {
    const at = audio.currentTime + i * 0.16;
    const tone = audio.createOscillator();
    const volume = audio.createGain();
    tone.frequency.setValueAtTime(pitch, at);
    volume.gain.setValueAtTime(0.0001, at);
    volume.gain.exponentialRampToValueAtTime(0.22, at + 0.012);
    volume.gain.exponentialRampToValueAtTime(0.0001, at + 0.14);
    tone.connect(volume).connect(audio.destination);
    tone.start(at);
    tone.stop(at + 0.16);
  }
}

/** What the browser’s tab says of a desk: how many wait, so that it is seen behind other pages too. */
export const tabOfDesk = ({ waiting, title }: { waiting: unknown[]; title: string }): string =>
  fill(waiting.length > 0 ? say.deskWhereWait : say.deskOf, { waiting: waiting.length, title });

interface Waits {
  id: number;
  name: string;
}

/** Sounds when somebody new waits, and is told by the browser to whoever looks elsewhere. */
export function useKnockSignal(waiting: Waits[], title: string): void {
  const [sound] = useKnockSound();
  const known = useRef<Set<number> | null>(null);
  useEffect(() => {
    const before = known.current;
    const [first, ...more] = before === null ? [] : waiting.filter((v) => !before.has(v.id));
    known.current = new Set(waiting.map((v) => v.id));
    if (!first) return;
    if (sound) knock();
    const who =
      more.length === 0
        ? first.name
        : fill(say.firstAndMoreCountMore, { first: first.name, moreCount: more.length });
    tellInBrowser({
      title: fill(say.knockWho, { who }),
      body: title,
      tag: `knock ${title}`,
    });
  }, [waiting, sound, title]);
}
