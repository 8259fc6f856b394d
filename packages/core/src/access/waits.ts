/** So many failures cost nothing: people mistype. */
const FREE_FAILURES = 5;
/** The longest wait, in seconds. */
const LONGEST_SECONDS = 900;

/**
 * Seconds to wait before the next try, after so many failures in a row: nothing at first, then 1, 2, 4 … up to a quarter
 * of an hour. (Common practice, as OWASP's Authentication guidance has it; the numbers are ours.)
 */
export function waitAfterFailures(failures: number): number {
  if (failures < FREE_FAILURES) return 0;
  return Math.min(LONGEST_SECONDS, 2 ** Math.min(failures - FREE_FAILURES, 30));
}

/** So many seconds as a person is told to wait them; minutes are rounded up. */
export function waitInWords(seconds: number): string {
  if (seconds < 60) return seconds === 1 ? '1 second' : `${seconds} seconds`;
  const minutes = Math.ceil(seconds / 60);
  return minutes === 1 ? '1 minute' : `${minutes} minutes`;
}
