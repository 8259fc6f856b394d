import { dateInWords } from '@glen/core/light';
import { api } from '../../app/api.js';
import { wallClock } from '../../app/clock.js';
import { Button } from '../../ui/Button.js';
import type { Register } from './states.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

/** Whether a register is settled, and the press that settles it. */
export function Settle({ register, zone }: { register: Register; zone: string }) {
  const [settle, { isLoading }] = api.useSettleRegisterMutation();
  const { settled, isOver, mayEdit, seriesId, key } = register;
  if (settled) {
    const { date, time } = wallClock(settled.at, zone);
    const by = settled.by === null ? say.byItself : fill(say.by, { by: settled.by });
    return (
      <p className="my-3 text-soft">
        {fill(say.settledOnItMayStill, { by, date: dateInWords(date), time })}
      </p>
    );
  }
  if (!isOver) return null;
  return (
    <p className="my-3 flex flex-wrap items-center gap-3 text-soft">
      {mayEdit && (
        <Button
          kind="strong"
          className="print:hidden"
          disabled={isLoading}
          onClick={() => void settle({ params: { seriesId }, body: { on: key } })}
        >
          {say.settleTheRegister}
        </Button>
      )}
      {say.notSettledYetADay}
    </p>
  );
}
