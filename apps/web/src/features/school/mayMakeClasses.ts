import { areOffice } from '@glen/core/light';
import type { Me } from '@glen/contract';

/** Whether one may make class periods: the school can leave that to head and office. */
export const mayMakeClasses = ({ school, person }: Me): boolean =>
  school.classesBy === 'teachers' || areOffice(person?.roles ?? []);
