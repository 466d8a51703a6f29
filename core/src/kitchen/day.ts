/** The kitchen's own day. Nothing else turns an instant into a date: a label printed in the evening says the day on the wall. */

const FORMATS = new Map<string, Intl.DateTimeFormat>();

function formatOf(timeZone: string): Intl.DateTimeFormat {
  let format = FORMATS.get(timeZone);
  if (!format)
    FORMATS.set(
      timeZone,
      // Canadian English writes a date the way ISO 8601 does.
      (format = new Intl.DateTimeFormat('en-CA', {
        timeZone,
        year: 'numeric',
        month: '2-digit',
        day: '2-digit',
      })),
    );
  return format;
}

/** Whether a name is a time zone of the IANA database: "Europe/London". */
export function isTimeZone(name: string): boolean {
  try {
    formatOf(name);
    return true;
  } catch {
    return false;
  }
}

/**
 * The day it is in a time zone, as an ISO date.
 * @param timeZone IANA name, as `KitchenService.timeZone`
 * @param instant milliseconds since 1970 in UTC
 * @throws RangeError for a name that is no time zone
 */
export const dayIn = (timeZone: string, instant: number): string => formatOf(timeZone).format(instant);
