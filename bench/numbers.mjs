/** The middle of some measured values. */
export const median = (values) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];

/** The value that a share of all (0 to 1) do not pass. */
export function percentile(values, share) {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.ceil(sorted.length * share) - 1)];
}
