/**
 * How well the protein of a food serves, 0 to 1: digestibility-corrected amino acid scores by the FAO/WHO method of 1991 that 21
 * CFR 101.9(c)(7)(ii) names. Values as the literature gives them for the food or its nearest kin, rounded down (class: *reference*
 * for soya, wheat, oats, rice, peas, chickpeas, beans, lentils and peanut; *convention* for their kin). What is not listed counts as
 * no protein: a claim is never met by a score that nobody knows.
 */
const SCORES: readonly (readonly [number, string])[] = [
  [
    0.9,
    'firm-tofu soft-tofu silken-tofu extra-firm-tofu smoked-tofu tempeh edamame soya-beans-dry soya-milk soya-flour yuba',
  ],
  [0.95, 'soya-protein-isolate soya-mince textured-soya-mince-cooked'],
  [0.85, 'pea-protein'],
  [0.6, 'green-peas split-peas split-peas-cooked'],
  [0.7, 'chickpeas-dry chickpeas-cooked chickpeas-tinned chickpea-flour chana-dal'],
  [0.7, 'black-beans-dry black-beans-cooked black-beans-tinned'],
  [
    0.6,
    'white-beans-dry white-beans-cooked white-beans-tinned kidney-beans-dry kidney-beans-cooked kidney-beans-tinned butter-beans-dry butter-beans-cooked butter-beans-tinned pinto-beans-dry pinto-beans-cooked pinto-beans-tinned flageolet-beans-dry',
  ],
  [0.5, 'red-lentils red-lentils-cooked green-lentils puy-lentils lentils-cooked lentils-tinned'],
  [0.5, 'peanuts peanut-butter broad-beans-frozen dried-broad-beans'],
  [0.5, 'rolled-oats oat-groats oats-cooked oat-flour oat-bran'],
  [0.5, 'brown-rice brown-rice-cooked white-rice white-rice-cooked basmati-rice short-grain-rice'],
  [
    0.4,
    'wholemeal-flour plain-flour strong-wheat-flour wheat-grain bulgur bulgur-cooked couscous spaghetti wheat-noodles pasta-cooked wholewheat-pasta',
  ],
  [0.25, 'wheat-gluten seitan'],
];

const BY_FOOD = new Map(SCORES.flatMap(([score, ids]) => ids.split(' ').map((id) => [id, score] as const)));

/** The score of a food's protein; null where none is known. */
export const proteinScore = (foodId: string): number | null => BY_FOOD.get(foodId) ?? null;
