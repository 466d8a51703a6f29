/** What of a pack's printed text is its list of ingredients: that alone goes on a label, never storage, claims or advice. */
import { nameWords } from '../food';

/** How a sentence begins that is no part of the list. */
const NO_LIST =
  /^(?:contains?\b|may (?:also )?contain|allerg|store\b|storage|keep\b|best\b|use (?:by|within)|once open|after opening|refrigerat|suitable|not suitable|free (?:from|of)|produced|made (?:in|on|from a)|packed|packaged|manufactured|processed|nutrition|typical|energy\b|warning|caution|for allergens|see ingredients|product of|country|origin|net\b|drained weight|shake|serve|cook|heat|no (?:added|artificial|preservatives)|gluten[- ]free|vegan\b|vegetarian\b|certified|certificate|organic\b|cannot guarantee|traces)/i;

/**
 * The ingredients of a pack's text, as they are printed, without a full stop; empty where the pack is of one ingredient that
 * is the food itself, or says no ingredients.
 * @param statement the pack's text as it was typed or pasted
 * @param name the food's own name on the label
 */
export function subIngredients(statement: string, name: string): string {
  const sentences = statement
    .replace(/\s+/g, ' ')
    .replace(/^\s*ingredients?\s*[:.-]\s*/i, '')
    .split(/(?:\.(?=\s|$)|;\s|\n|\s-\s(?=[A-Z]))/)
    .map((each) => each.trim())
    .filter(Boolean);
  const list: string[] = [];
  for (const sentence of sentences) {
    if (NO_LIST.test(sentence)) break;
    // Advice may follow the list after a comma: "quinoa, certified gluten-free".
    const parts = sentence.split(/,\s+/);
    const end = parts.findIndex((part, index) => index > 0 && NO_LIST.test(part));
    list.push((end === -1 ? parts : parts.slice(0, end)).join(', '));
    if (end !== -1) break;
  }
  const text = list.join('; ');
  return nameWords(text).join(' ') === nameWords(name).join(' ') ? '' : text;
}
