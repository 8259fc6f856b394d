/** A zone as people call it: by its place. `America/Halifax` is Halifax, `UTC` itself. */
export const zonePlace = (zone: string): string =>
  (zone.split('/').at(-1) ?? zone).replaceAll('_', ' ');

/** `school time, Halifax`: whose clock a time is by. */
export const schoolTime = (zone: string): string => `school time, ${zonePlace(zone)}`;
