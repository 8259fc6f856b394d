/** Every time zone that this browser knows, to choose from. */
export const ZONES = Intl.supportedValuesOf('timeZone').map((zone) => ({
  value: zone,
  label: zone,
}));

export const DATE_ORDERS = [
  { value: 'dmy', label: '14 Oct 2026', hint: 'day first' },
  { value: 'mdy', label: 'Oct 14, 2026', hint: 'month first' },
  { value: 'ymd', label: '2026-10-14', hint: 'year first' },
];
export const CLOCK_HOURS = [
  { value: '24', label: '14:05' },
  { value: '12', label: '2:05 pm' },
];
