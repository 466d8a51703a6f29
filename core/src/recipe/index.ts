/** What was written: a recipe, and how its text is read. */
export { type Book, bookOf } from './book';
export {
  type Household,
  HOUSEHOLD_MEASURES,
  type HouseholdMeasure,
  type Keeping,
  KEEPING_NAMES,
  KEEPINGS,
  packedFrom,
  type PackedPortion,
  TITLE_LANGUAGES,
  type TitleLanguage,
  UNPACKED,
} from './packed';
export { readLine } from './read-line';
export {
  lineFromText,
  linesFromText,
  linesOf,
  readRecipe,
  recipeFromReading,
  type RecipeReading,
  splitRecipes,
  stepsFromTexts,
} from './read-recipe';
export { unusedLines } from './read-step';
export {
  type AppliedSwap,
  BATH_ANSWERS,
  type Confirmed,
  type Cooking,
  cookingsIn,
  EMPTY_STEP_READING,
  foodIdOf,
  isFoodSure,
  type LineAnswers,
  type Measured,
  type NotIn,
  type Reading,
  type Recipe,
  type RecipeLine,
  type RecipeStep,
  type Technique,
  TECHNIQUES,
} from './recipe';
export { timesIn } from './step-times';
export { EDIBLE_FORM_WORDS, isFormWord } from './words';
export {
  type CookingMethod,
  cookingMethodOf,
  deepFryingStep,
  fryingMinutesOf,
  isBakedDeep,
  isPanFat,
  mainStage,
  minutesCooked,
  type Stage,
  stagesOf,
  workOf,
} from './work';
