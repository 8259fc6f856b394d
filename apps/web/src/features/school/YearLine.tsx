import { addDays, dateInWords, dayInfo, dayNumber, type SchoolCalendar } from '@glen/core';

/** The school year at a glance: terms, closures hatched, examinations, days of other bells. */
export function YearLine({ school, today }: { school: SchoolCalendar; today: string }) {
  const [first, last] = [school.terms[0]?.first ?? today, school.terms.at(-1)?.last ?? today];
  const from = dayNumber(first, 'first');
  const days = dayNumber(last, 'last') - from + 1;
  if (days < 2) return null;
  const x = (date: string): number => ((dayNumber(date, 'date') - from) / days) * 1000;
  const width = (a: string, b: string): number => Math.max(4, x(addDays(b, 1)) - x(a));
  const months: string[] = [];
  for (let d = first; d <= last; d = addDays(d, 1)) if (d.endsWith('-01')) months.push(d);
  return (
    <figure className="mb-4">
      <svg
        viewBox="0 0 1000 58"
        className="w-full"
        role="img"
        aria-label={`The school year from ${dateInWords(first, 'with-year')} to ${dateInWords(last, 'with-year')}: ${school.terms.length} terms, ${school.closures.length} closures`}
      >
        <defs>
          <pattern
            id="year-hatch"
            width="5"
            height="5"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <path d="M0 0v5" stroke="var(--edge)" strokeWidth="2.4" />
          </pattern>
        </defs>
        {school.terms.map((t) => (
          <g key={t.name}>
            <rect
              x={x(t.first)}
              y={16}
              width={width(t.first, t.last)}
              height={26}
              rx={4}
              fill="var(--loch-tint)"
              stroke="var(--loch)"
            />
            <text x={x(t.first) + 6} y={11} fontSize={12} fill="var(--ink)">
              {t.name}
            </text>
          </g>
        ))}
        {school.closures.map((c, i) => (
          <rect
            key={i}
            x={x(c.first)}
            y={16}
            width={width(c.first, c.last)}
            height={26}
            fill={
              c.kind === 'exams'
                ? 'var(--berry)'
                : c.kind === 'staff'
                  ? 'var(--gorse)'
                  : 'url(#year-hatch)'
            }
            opacity={c.kind === 'holiday' ? 1 : 0.75}
          >
            <title>{`${c.name}, ${dateInWords(c.first)}`}</title>
          </rect>
        ))}
        {school.bellFor
          .filter((b) => dayInfo(school, b.date).teaching)
          .map((b) => (
            <circle key={b.date} cx={x(b.date) + 1.5} cy={29} r={3.5} fill="var(--loch-deep)">
              <title>{`${b.bell} bells, ${dateInWords(b.date)}`}</title>
            </circle>
          ))}
        {months.map((d) => (
          <text key={d} x={x(d)} y={55} fontSize={11} fill="var(--soft)">
            {dateInWords(d).slice(6)}
          </text>
        ))}
        {today >= first && today <= last && (
          <path d={`M${x(today)} 12V46`} stroke="var(--bracken)" strokeWidth={2} />
        )}
      </svg>
      <figcaption className="flex flex-wrap gap-x-4 text-sm text-soft">
        <span>hatched: holiday</span>
        <span>gold: staff day</span>
        <span>red: examinations</span>
        <span>dot: other bells</span>
      </figcaption>
    </figure>
  );
}
