import ICAL from 'ical.js';

interface Shape {
  parameters?: Record<string, string>;
  type?: string;
}

/** Adds a property with its parameters, of another type than its usual one where that is said. */
export function property(
  component: ICAL.Component,
  name: string,
  value: string,
  { parameters = {}, type }: Shape = {},
): void {
  const made = new ICAL.Property(name);
  if (type) made.resetType(type);
  for (const [key, of] of Object.entries(parameters)) made.setParameter(key, of);
  made.setValue(value);
  component.addProperty(made);
}

/** A calendar with what each must have (RFC 5545 §3.6). */
export function newCalendar(): ICAL.Component {
  const calendar = new ICAL.Component('vcalendar');
  calendar.updatePropertyWithValue('prodid', '-//Glen//Doors to online classes//EN');
  calendar.updatePropertyWithValue('version', '2.0');
  calendar.updatePropertyWithValue('calscale', 'GREGORIAN');
  return calendar;
}

/** Adds the VTIMEZONE of each zone in use, as a library has it. */
export function addZones(
  calendar: ICAL.Component,
  zones: readonly string[],
  timezones: Record<string, string>,
): void {
  for (const zone of [...new Set(zones)].sort()) {
    const text = timezones[zone];
    if (text) calendar.addSubcomponent(new ICAL.Component(ICAL.parse(text) as never));
  }
}

/** Octets before a fold: the space that begins the next line counts along (RFC 5545 §3.1 has 75 in all). */
const FOLDED_AT = 74;

/** The whole text; lines are folded and values escaped by the library. */
export function icsText(calendar: ICAL.Component): string {
  ICAL.foldLength = FOLDED_AT;
  return `${calendar.toString()}\r\n`;
}
