interface Span {
  start: number;
  end: number;
}

/** The whole hours shown, from and to: from the first session or bell to the last, evenings too, now always among them. Minutes after midnight. */
export function hoursShown(spans: Span[], now: number): [number, number] {
  const first = Math.min(now, ...spans.map((s) => s.start));
  const last = Math.max(now, ...spans.map((s) => Math.min(s.end, 1440)));
  return [Math.floor(first / 60), Math.min(24, Math.floor(last / 60) + 1)];
}

/** Two lanes are as many as the strip has room for; a third at once shares the second. */
const MOST_LANES = 2;

/** For each span its lane, and how many lanes it shares the strip's height with: those that overlap stand under one another. */
export function lanesOf(spans: Span[]): { lane: number; of: number }[] {
  const overlaps = (a: Span, b: Span): boolean => a.start < b.end && b.start < a.end;
  const lanes: number[] = [];
  spans.forEach((span, i) => {
    const taken = new Set(
      spans.slice(0, i).flatMap((other, k) => (overlaps(span, other) ? [lanes[k]!] : [])),
    );
    lanes.push(
      Math.min(MOST_LANES - 1, [0, 1, 2].find((lane) => !taken.has(lane)) ?? MOST_LANES - 1),
    );
  });
  return spans.map((span, i) => ({
    lane: lanes[i]!,
    of: spans.some((other, k) => k !== i && overlaps(span, other)) ? MOST_LANES : 1,
  }));
}
