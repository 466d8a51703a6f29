/** Ingredient statements of packs, read into what they contain and may contain. */
export { DISH_NAMES, KITCHEN_WORDS, ONLY_IN_LINES, OTHER_NAMES, OTHER_NAMES_HOLD } from './kitchen-words';
export { readStatement, type StatementMention, type StatementReading } from './read-statement';
export { ANIMAL_TERMS, HARMLESS_NAMES, NAMED_WITHIN, STATEMENT_TERMS } from './statement-terms';
