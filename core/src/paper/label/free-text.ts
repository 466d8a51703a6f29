/** What somebody types onto a label at printing may name a group or a texture, and make no claim. */
import { readStatement } from '../../allergen';

/** Freedom promised in the languages labels and statements are read in; "seedless" and "boneless" promise as well. */
const PROMISED =
  /\b[\p{L}]+(?:[- ]free|frei)\b|\b(?:free (?:from|of)|no|non|without|sans|sin|senza|ohne|suitable for|safe for|geeignet für)\s+\p{L}+|\b(?:vegan|halal|kosher|organic|coeliac|celiac)\b/iu;

/** The claim a free text makes, in its own words; null where it makes none. */
export function claimInText(text: string): string | null {
  const [read] = readStatement(text).claims;
  return read ?? PROMISED.exec(text)?.[0] ?? null;
}
