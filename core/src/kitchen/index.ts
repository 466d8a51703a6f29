/** A kitchen: its measures, machines, standard, packs, guests and conventions. */
export {
  ABSURD_GRAMS,
  CONTRADICTION_RATIO,
  conventionalWeight,
  COVERED_FACTOR,
  DRAINED_SHARE,
  EVAPORATION_KG_PER_M2_H,
  FINISHED_DENSITY,
  FRYING_OIL_GRAMS,
  GARNISH_GRAMS_A_PORTION,
  GUESSED_DENSITY,
  HEAPED_FACTOR,
  HOME_DISH,
  HOME_FRYING_PAN,
  HOME_POT,
  HOME_TRAY,
  PIECE_SPREAD,
  SCANT_FACTOR,
  SIZE_FACTOR,
  TO_TASTE_SHARE,
  VOLUME_SPREAD,
} from './conventions';
export { dayIn, isTimeZone } from './day';
export { type DinerGroup, type FreeFromPolicy, passes } from './diners';
export {
  type EquipmentSet,
  HEATING_EFFICIENCY,
  HOT_BLENDER_FILL,
  LAYER_KG_PER_M2,
  MACHINES_FOR,
  type Scale,
  stepOf,
  type Vessel,
  VESSEL_DEFAULTS,
  VESSEL_KINDS,
  type VesselKind,
  WORK_KINDS,
  WORKING_FILL,
  type WorkKind,
} from './equipment';
export {
  answeredWord,
  comparableName,
  type Heat,
  type Kitchen,
  KITCHEN_DEFAULTS,
  type KitchenName,
  type KitchenWeight,
  namedHere,
  type Pack,
  PACK_DEFAULTS,
  type PackAnswer,
  type PackBefore,
  packOf,
  withdrawPack,
  withUnreadPack,
  type WordAnswer,
} from './kitchen';
export { swapHere, swapsFrom } from './library';
export { PAN_FILL, PAN_TYPES, type PanId, PANS } from './pans';
export { mayActAs, type Person, type Role, ROLES } from './people';
export { priceOf } from './price';
export { type KitchenSafety, PLAIN_SAFETY } from './safety';
export {
  BAND_IDS,
  type BandId,
  COUNTRIES,
  type Country,
  COUNTRY_NAMES,
  type KitchenService,
  MENU_ENERGY,
  type MenuEnergy,
  PLAIN_SERVICE,
} from './service';
export { SHARED_KINDS, type SharedEquipment, type SharedKind } from './shared';
export {
  AMOUNT_WAYS,
  breaksWholeFood,
  BUILD_WAYS,
  CREAM_WAYS,
  EGG_WAYS,
  FRYING_FATS,
  type KitchenStandard,
  LOW_SALT_SHARE,
  OIL_FILM_G_PER_M2,
  PLAIN_STANDARD,
  PULSE_WAYS,
  SALT_WAYS,
  SWEATING_KG_PER_M2_H,
  SWEATING_MINUTES,
  TOFU_WAYS,
} from './standard';
export { type NutrientTarget, targetStanding, type TargetStanding } from './targets';
