/** The state a line says its food was weighed in, where the larder has the dry food only. */
import { type Food, soakUptake } from '../../food';
import type { LineAnswers, RecipeLine } from '../../recipe';

/** "200 g cooked couscous", "soaked chickpeas": the weight is of what was cooked or soaked, though the larder has the dry food only. */
const COOKED = /\b(?:cooked|boiled|leftover)\b/;
const NOT_COOKED = /\b(?:uncooked|to be cooked|until cooked|quick[- ]?cooked?|pre-?cooked)\b/;
/** Before the name, never after a comma: "chickpeas, soaked" are weighed dry. */
const SOAKED = /^[^,(]*\b(?:pre-?)?soaked\b/;

interface SaidState {
  word: string;
  /** Weight as said over weight of the dry food. */
  ratio: number;
  answers: Pick<LineAnswers, 'isCookedApart' | 'isSoaked'>;
}

/** What a line says of the state, or null where it is weighed as the larder has it. */
export function saidState({ text, answers }: RecipeLine, food: Food): SaidState | null {
  if (food.state !== 'dry' || food.cookingYield === null || answers.grams !== undefined) return null;
  const said = text.toLowerCase();
  if (COOKED.test(said) && !NOT_COOKED.test(said))
    return { word: 'cooked', ratio: food.cookingYield, answers: { isCookedApart: true } };
  const drunk = soakUptake(food);
  return SOAKED.test(said) && drunk > 0
    ? { word: 'soaked', ratio: 1 + drunk, answers: { isSoaked: true } }
    : null;
}
