import type { Glen } from '../../glen.js';
import type { Handlers } from '../../http/mount.js';
import { learnerDay } from '../plan/learnerDay.js';
import { todayFor } from './today.js';

export const myDayRoutes = (glen: Glen) =>
  ({
    today: ({ who }) => todayFor(glen, who.person!.id),
    myDay: ({ who }) => learnerDay(glen, who.person!.id),
  }) satisfies Partial<Handlers>;
