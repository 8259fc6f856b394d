import { api } from '../../app/api.js';
import type { ClassPeriod } from '../school/classPeriod.js';
import { useAddressParts } from './useAddressParts.js';

/** The student who is asked for, if they are on the roll; else its first. */
function studentOf(classPeriod: ClassPeriod | undefined, wanted: number): number | undefined {
  const roll = classPeriod?.roll ?? [];
  return roll.some((p) => p.id === wanted) ? wanted : roll[0]?.id;
}

/** What one student sees, and who else: class period, student and moment stand in the address. */
export function useStudentSees() {
  const [search, go] = useAddressParts();
  const { data } = api.useClassesQuery();
  const classes = data?.classes.filter((c) => c.rollSize > 0);
  const classId = Number(search.get('class')) || classes?.[0]?.id;
  const at = search.get('at') ?? '';
  const moment = at || undefined;
  const { currentData: classPeriod } = api.useClassPeriodQuery(
    { params: { classId: classId ?? 0 } },
    { skip: classId === undefined },
  );
  const personId = studentOf(classPeriod, Number(search.get('person')));
  const seen = api.useStudentSeesQuery(
    { params: { classId: classId ?? 0 }, query: { personId: personId ?? 0, at: moment } },
    { skip: classId === undefined || personId === undefined },
  );
  const { data: reach } = api.useReachQuery(
    { params: { linkId: classPeriod?.class.link.id ?? 0 }, query: { at: moment } },
    { skip: classPeriod === undefined },
  );
  return {
    /** Those with somebody on the roll; not there until they are known. */
    classes,
    classId,
    classPeriod,
    personId,
    at,
    go,
    asked: { ...seen, data: seen.currentData },
    reach,
  };
}
