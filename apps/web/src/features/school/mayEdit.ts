import type { ClassItem } from '@glen/contract';

type Asked = Pick<ClassItem, 'mine'> & Partial<Pick<ClassItem, 'putAwayAt'>>;

/** Whether one hosts a class period, put away or not. */
export const hosts = (of: Pick<ClassItem, 'mine'> | undefined): boolean =>
  of?.mine === 'host' || of?.mine === 'co-teacher';

/** Whether one hosts a class period that goes on, and so may change what is planned there. */
export const mayEdit = (of: Asked | undefined): boolean => hosts(of) && !of?.putAwayAt;
