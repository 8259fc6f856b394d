/** Every time zone that this browser knows, to choose from. */
export const ZONES = Intl.supportedValuesOf('timeZone').map((zone) => ({
  value: zone,
  label: zone,
}));
