/** A timer's time in figures. */

/** "4:05", "1:02:00", over its time "+0:40". */
export function leftText(seconds: number): string {
  const all = Math.abs(seconds);
  const [hours, minutes, rest] = [Math.floor(all / 3600), Math.floor((all % 3600) / 60), all % 60];
  const two = (value: number): string => String(value).padStart(2, '0');
  const text = hours > 0 ? `${hours}:${two(minutes)}:${two(rest)}` : `${minutes}:${two(rest)}`;
  return seconds < 0 ? `+${text}` : text;
}
