/** VTIMEZONE of each zone in use, from the library's copy of the tz database, without the lines that only tell of its source. */
export async function timezonesOf(zones: string[]): Promise<Record<string, string>> {
  const { tzlib_get_ical_block: blockOf } = await import('timezones-ical-library');
  return Object.fromEntries(
    [...new Set(zones)].map((zone) => {
      const block = blockOf(zone);
      return [zone, Array.isArray(block) ? block[0]! : block];
    }),
  );
}
