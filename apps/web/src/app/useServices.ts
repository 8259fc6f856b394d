import type { Me } from '@glen/contract';
import { api } from './api.js';

const ALL: Me['services'] = { video: true, courseSite: true, mail: true };

/** Which services outside there are; until that is known, nothing is hidden. */
export const useServices = (): Me['services'] => api.useMeQuery().data?.services ?? ALL;
