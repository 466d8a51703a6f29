/** Nutrients of what is in a dish, what is left of them, and what a portion is worth. */
export { AGE_BANDS, bandCredits, type BandCredits, VEGETABLE_SUBGROUPS } from './crediting';
export { factsOf, type MissingFigure, missingFigures } from './facts';
export { keptShares } from './kept';
export { plateCheck, type PlateCheck, type PlatePart, platePartOf, type PortionFood } from './plate';
export { proteinScore } from './protein-scores';
export { spreadsOf, WEIGHED_YIELD_SPREAD } from './spread';
export { addFood, addSum, addUnknown, copySum, emptySum, type NutrientSum } from './sum';
export { type BandStanding, standingIn, type ToleranceBand, toleranceOf } from './tolerance';
export { vectorHere } from './vector';
export { HOSPITAL_NUTRIENTS, WATCH_NUTRIENTS, type WatchFigure, watchFigures } from './watch';
