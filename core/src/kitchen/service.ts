/** How a kitchen serves: whom, in which portions, and how long what it made keeps. */

/** Grade bands of US school meals. */
export const BAND_IDS = ['k-5', '6-8', '9-12'] as const;
export type BandId = (typeof BAND_IDS)[number];

/** Whose rules hold for what is packed where it is sold; `eu` for a member state that is not named. */
export const COUNTRIES = ['gb', 'ie', 'fr', 'es', 'de', 'eu', 'us'] as const;
export type Country = (typeof COUNTRIES)[number];
export const COUNTRY_NAMES: Readonly<Record<Country, string>> = {
  gb: 'United Kingdom',
  ie: 'Ireland',
  fr: 'France',
  es: 'Spain',
  de: 'Germany',
  eu: 'another EU country',
  us: 'United States',
};

/** Energy on menus: US 21 CFR 101.11 (chains of 20), England's Calorie Labelling Regulations 2021 (250 people); a kitchen's choice. */
export const MENU_ENERGY = ['none', 'us', 'england'] as const;
export type MenuEnergy = (typeof MENU_ENERGY)[number];

export interface KitchenService {
  /** Potassium, phosphorus, vitamin K and texture are shown. */
  isHospital: boolean;
  /** US school-meal credits are estimated. */
  isUsSchool: boolean;
  /** Portion of each band as a share of the dish's portion. */
  bandShares: Readonly<Record<BandId, number>>;
  /** Days that what was made keeps, the day of making counted (kitchen policy, never above the law's cap). */
  keepsDays: number;
  /** Days that what was made keeps frozen at -18 °C, the day of freezing counted (kitchen policy; no law caps it). */
  freezerDays: number;
  /** Days after which a pack must be read again: a reading older than that is not taken (kitchen policy). */
  readingDays: number;
  /** IANA name of the time zone its dates are in: "Europe/London". */
  timeZone: string;
  /** Where a phone reaches this app, without a slash at its end; empty where none does, and then a QR code holds the batch code. */
  publicAddress: string;
  /** Who answers for the food, as it stands on a label. */
  businessName: string;
  businessAddress: string;
  country: Country;
  menuEnergy: MenuEnergy;
  /** A label is released by another person than the one who checked it. */
  isReleasedByAnother: boolean;
}

/** A café without a school or a ward; three days, and two years for a reading, are usual policies (convention). */
export const PLAIN_SERVICE: KitchenService = {
  isHospital: false,
  isUsSchool: false,
  bandShares: { 'k-5': 0.75, '6-8': 1, '9-12': 1.25 },
  keepsDays: 3,
  freezerDays: 90,
  readingDays: 730,
  timeZone: 'Etc/UTC',
  publicAddress: '',
  businessName: '',
  businessAddress: '',
  country: 'gb',
  menuEnergy: 'none',
  isReleasedByAnother: false,
};
