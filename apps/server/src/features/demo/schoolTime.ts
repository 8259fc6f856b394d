import { secondsOf } from '@glen/core';
import type { Glen } from '../../glen.js';
import { scheduleReconcileOfAll } from '../post/scheduleReconcile.js';
import { scheduleAllProgrammes } from '../evening/schedule.js';
import { scheduleAllSlots } from '../slot/schedule.js';
import { openAgain } from '../register/settle.js';

/** Moves school time for all processes; everybody's screens follow. */
export async function setSchoolTime(glen: Glen, target: string): Promise<void> {
  await glen.clock.setOffset(secondsOf(target, 'target') - secondsOf(glen.clock.machine(), 'now'));
  await openAgain(glen, target);
  await scheduleReconcileOfAll(glen);
  await scheduleAllSlots(glen);
  await scheduleAllProgrammes(glen);
  await glen.announce('clock', { thing: 'clock', id: 0 });
  glen.nudge();
}
