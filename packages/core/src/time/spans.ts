/** A stretch between two numbers, half open. */
export interface NumberSpan {
  from: number;
  to: number;
}

/** Spans in order, those that overlap, touch or are no more than `bridge` apart made one. */
export function joinedSpans(spans: readonly NumberSpan[], bridge = 0): NumberSpan[] {
  const all: NumberSpan[] = [];
  for (const { from, to } of [...spans].sort((a, b) => a.from - b.from)) {
    const last = all.at(-1);
    if (last && from - last.to <= bridge) last.to = Math.max(last.to, to);
    else all.push({ from, to });
  }
  return all;
}
