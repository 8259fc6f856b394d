import { Hand } from 'lucide-react';
import { useRef, type KeyboardEvent } from 'react';
import { useNavigate } from 'react-router';
import { minuteOfDay } from '@glen/core/light';
import type { Answer, Session } from '@glen/contract';
import { wallClock } from '../../app/clock.js';
import { Pennant } from '../../ui/Pennant.js';
import { mayEdit } from '../school/mayEdit.js';
import { hoursShown, lanesOf } from '../plan/dayLineLayout.js';

type Today = Answer<'today'>;

/** Today as a strip of hours: its sessions and the now mark. One glance, one click; arrows go from session to session. */
export function DayLine({ today, now, zone }: { today: Today; now: string; zone: string }) {
  const navigate = useNavigate();
  const strip = useRef<HTMLElement>(null);
  const clock = wallClock(now, zone);
  const nowMinute = minuteOfDay(clock.time, 'time');
  const sessions = today.sessions
    .filter((s) => s.status !== 'cancelled' && s.date === today.date)
    .map((s) => ({
      s,
      start: minuteOfDay(s.time, 'time'),
      end: minuteOfDay(s.time, 'time') + s.minutes,
    }));
  const bells = today.bells.map((b) => ({
    start: minuteOfDay(b.start, 'start'),
    end: minuteOfDay(b.end, 'end'),
  }));
  const [from, to] = hoursShown([...bells, ...sessions], nowMinute);
  const lanes = lanesOf(sessions);
  const place = (minute: number): string => `${((minute - from * 60) / ((to - from) * 60)) * 100}%`;
  const open = (s: Session): void => {
    const of = today.classes.find((c) => c.id === s.classId);
    if (s.draft) void navigate(`/plan/${s.seriesId}?on=${s.key}`);
    else
      void navigate(
        of && !mayEdit(of) && !today.acting.includes(s.id)
          ? `/classes/${s.classId}`
          : `/desk/${s.linkId}`,
      );
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    const step = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
    if (step === 0) return;
    const buttons = [...strip.current!.querySelectorAll('button')];
    const at = buttons.indexOf(document.activeElement as HTMLButtonElement);
    buttons[Math.min(buttons.length - 1, Math.max(0, at + step))]?.focus();
    event.preventDefault();
  };
  return (
    <nav
      ref={strip}
      aria-label="Today’s hours"
      onKeyDown={onKeyDown}
      className="relative h-15 shrink-0 overflow-hidden border-b border-line bg-shade print:hidden"
    >
      <div className="absolute inset-x-6 inset-y-0">
        {Array.from({ length: to - from }, (_, i) => (
          <span
            key={i}
            aria-hidden="true"
            className={`absolute top-1 font-mono text-xs text-soft ${[nowMinute, ...today.hand.map((h) => minuteOfDay(h.time, 'time'))].some((m) => Math.abs((from + i) * 60 - m) < (to - from) * 4) ? 'opacity-0' : ''}`}
            style={{ left: place((from + i) * 60) }}
          >
            {String(from + i).padStart(2, '0')}
          </span>
        ))}
        {sessions.map(({ s, start, end }, i) => {
          const pennant = today.classes.find((c) => c.id === s.classId)?.pennant;
          const past = s.end <= now;
          const running = s.start <= now && now < s.end;
          const { lane, of } = lanes[i]!;
          return (
            <button
              key={s.id}
              type="button"
              onClick={() => open(s)}
              title={`${s.time} ${s.title}${s.draft ? ', draft' : ''}`}
              className={`@container absolute flex items-center gap-1.5 overflow-hidden rounded-small border px-1 text-left text-[13px] font-semibold whitespace-nowrap ${running ? 'border-2 border-bracken bg-sheet' : past ? 'border-line bg-paper text-soft' : 'border-edge bg-sheet'} ${s.draft ? 'border-dashed' : ''}`}
              style={{
                left: place(start),
                width: `calc(${place(end)} - ${place(start)} - 2px)`,
                minWidth: 30,
                top: of === 1 ? 25 : 21 + lane * 18,
                height: of === 1 ? 28 : 17,
                fontSize: of === 1 ? undefined : 11,
              }}
            >
              {pennant && (
                <span className={past ? 'opacity-70' : ''}>
                  <Pennant pennant={pennant} size={of === 1 ? 'small' : 'tiny'} />
                </span>
              )}
              <span className="sr-only">
                {s.time} {s.title}
              </span>
              <span
                aria-hidden="true"
                className="hidden font-mono text-xs font-normal @min-[58px]:inline @min-[110px]:hidden"
              >
                {s.time}
              </span>
              <span aria-hidden="true" className="hidden truncate @min-[110px]:inline">
                {s.title}
              </span>
            </button>
          );
        })}
        {today.hand.map((h) => (
          <button
            key={`${h.postId} ${h.time} ${h.where}`}
            type="button"
            title={`${h.time} by hand: ${h.where}`}
            onClick={() => void navigate(`/posts?show=${h.postId}`)}
            className={`absolute top-0.5 z-10 flex size-5 -translate-x-1/2 items-center justify-center rounded-small border ${h.waits ? 'border-edge bg-sheet text-soft' : 'border-gorse bg-gorse-tint text-gorse-deep'}`}
            style={{ left: place(minuteOfDay(h.time, 'time')) }}
          >
            <Hand size={12} aria-hidden="true" />
            <span className="sr-only">
              {h.time} by hand: {h.where}
            </span>
          </button>
        ))}
        <span
          className="pointer-events-none absolute inset-y-0 border-l-2 border-bracken"
          style={{ left: place(nowMinute) }}
        >
          <span className="ml-1 font-mono text-xs font-bold text-bracken-deep">{clock.time}</span>
        </span>
      </div>
    </nav>
  );
}
