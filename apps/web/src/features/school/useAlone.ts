import { api } from '../../app/api.js';

/** Whether one teacher is all there is: no office, and nothing is said of a school. */
export const useAlone = (): boolean => api.useMeQuery().data?.school.alone ?? false;
