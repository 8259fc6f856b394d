import * as say from './words.js';
/** Every time zone that this browser knows, to choose from. */
export const ZONES = Intl.supportedValuesOf('timeZone').map((zone) => ({
  value: zone,
  label: zone,
}));

export const DATE_ORDERS = [
  { value: 'dmy', label: say.dayFirstDate, hint: say.dayFirst },
  { value: 'mdy', label: say.monthFirstDate, hint: say.monthFirst },
  { value: 'ymd', label: '2026-10-14', hint: say.yearFirst },
];
export const CLOCK_HOURS = [
  { value: '24', label: '14:05' },
  { value: '12', label: say.pm },
];
