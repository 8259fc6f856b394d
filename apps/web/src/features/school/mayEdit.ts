import type { ClassItem } from '@glen/contract';

/** Whether one hosts a class period, and so may change what is planned there. */
export const mayEdit = (of: Pick<ClassItem, 'mine'> | undefined): boolean =>
  of?.mine === 'host' || of?.mine === 'co-teacher';
