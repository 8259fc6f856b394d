import { chosenDays, chosenNotch } from './chosen.js';
import { ChosenDays } from './ChosenDays.js';
import { ChosenSession } from './ChosenSession.js';
import type { Strip } from './strip/layout.js';
import type { PlanActions } from './usePlanActions.js';

interface ChosenPartProps {
  strip: Strip;
  now: string;
  actions: PlanActions;
}

/** What is chosen on the plan, and what can be done with it. */
export function ChosenPart({ actions, strip, now }: ChosenPartProps) {
  const { chosen, series, swept, change } = actions;
  const notch = chosenNotch(chosen);
  const days = chosenDays(chosen);
  const onClose = () => actions.choose(null);
  if (days)
    return <ChosenDays {...days} notches={swept} series={series} send={change} onClose={onClose} />;
  if (!notch) return null;
  const of = series.get(notch.seriesId)!;
  return (
    <ChosenSession
      key={notch.id}
      notch={notch}
      series={of}
      classPeriod={strip.classes.find((c) => c.id === of.classId)!}
      now={now}
      send={change}
      onClose={onClose}
    />
  );
}
