import { areOffice } from '@glen/core/light';
import type { ClassItem } from '@glen/contract';
import { api } from '../../app/api.js';
import { hosts } from './mayEdit.js';

/**
 * Whether one keeps a class period: what it is called, who teaches it, its roll, and whether it goes on. Its hosts do,
 * and the office.
 */
export function useKeeps(of: Pick<ClassItem, 'mine'>): boolean {
  const { data: me } = api.useMeQuery();
  return hosts(of) || areOffice(me?.person?.roles ?? []);
}
