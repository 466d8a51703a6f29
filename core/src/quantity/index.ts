/** Numbers as people write them, units, weights, and how a figure is told. */
export {
  figureText,
  fixedText,
  formatGrams,
  gramsText,
  roundToDecimals,
  roundToStep,
  scaleText,
  signedText,
  weightText,
} from './format';
export { type Figure, readFigure, spellFractions } from './number';
export { randomFrom } from './random';
export { typedFigure } from './typed-figure';
export {
  celsiusFromFahrenheit,
  fahrenheitFromCelsius,
  grams,
  isMassUnit,
  isVagueUnit,
  isVolumeUnit,
  massOf,
  massOfVolume,
  MILLILITRES_PER,
  type Unit,
  UNIT_WORDS,
  type UnitSystem,
  type VagueUnit,
  volumeOf,
  type VolumeUnit,
} from './units';
export {
  isSettled,
  plusWeight,
  timesFactor,
  timesFigure,
  type Weight,
  type WeightOrigin,
  weightWithSpread,
} from './weight';
