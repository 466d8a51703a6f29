/** How a kitchen serves: whom, in which portions, and how long what it made keeps. */

/** Grade bands of US school meals. */
export const BAND_IDS = ['k-5', '6-8', '9-12'] as const;
export type BandId = (typeof BAND_IDS)[number];

export interface KitchenService {
  /** Potassium, phosphorus, vitamin K and texture are shown. */
  isHospital: boolean;
  /** US school-meal credits are estimated. */
  isUsSchool: boolean;
  /** Portion of each band as a share of the dish's portion. */
  bandShares: Readonly<Record<BandId, number>>;
  /** Days that what was made keeps, the day of making counted (kitchen policy, never above the law's cap). */
  keepsDays: number;
  /** Days after which a pack must be read again: a reading older than that is not taken (kitchen policy). */
  readingDays: number;
  /** IANA name of the time zone its dates are in: "Europe/London". */
  timeZone: string;
  /** Where a phone reaches this app, without a slash at its end; empty where none does, and then a QR code holds the batch code. */
  publicAddress: string;
}

/** A café without a school or a ward; three days, and two years for a reading, are usual policies (convention). */
export const PLAIN_SERVICE: KitchenService = {
  isHospital: false,
  isUsSchool: false,
  bandShares: { 'k-5': 0.75, '6-8': 1, '9-12': 1.25 },
  keepsDays: 3,
  readingDays: 730,
  timeZone: 'Etc/UTC',
  publicAddress: '',
};
