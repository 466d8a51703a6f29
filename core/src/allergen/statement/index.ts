/** Ingredient statements of packs, read into what they contain and may contain. */
export { readStatement, type StatementMention, type StatementReading } from './read-statement';
