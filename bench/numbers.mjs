/** The middle of some measured values. */
export const median = (values) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];

/** The value that a share of all (0 to 1) do not pass. */
export function percentile(values, share) {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.ceil(sorted.length * share) - 1)];
}

/** Numbers below `n` by a plain congruential run, so that each bench measures the same bookings. */
export function numbersFrom(seed) {
  let last = seed;
  return (n) => {
    last = (Math.imul(last, 1664525) + 1013904223) >>> 0;
    return Math.floor((last / 4294967296) * n);
  };
}
