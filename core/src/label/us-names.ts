/**
 * What foods are called on a US label: common or usual names as they are said there (21 CFR 101.4(a)(1), 102.5). The larder's
 * label names are British; these words turn them, longest first.
 */
const US_WORDS: readonly (readonly [RegExp, string])[] = (
  [
    ['wholemeal wheat flour', 'whole wheat flour'],
    ['wholemeal', 'whole wheat'],
    ['bicarbonate of soda', 'baking soda'],
    ['wheat flour with raising agents', 'self-rising wheat flour'],
    ['rapeseed oil', 'canola oil'],
    ['groundnut oil', 'peanut oil'],
    ['linseed oil', 'flaxseed oil'],
    ['maize starch', 'corn starch'],
    ['maize meal', 'cornmeal'],
    ['maize flakes', 'corn flakes'],
    ['maize', 'corn'],
    ['potato crisps', 'potato chips'],
    ['digestive biscuits', 'wheat cookies'],
    ['biscuits', 'cookies'],
    ['biscuit', 'cookie'],
    ['spring onions?', 'green onions'],
    ['broad beans', 'fava beans'],
    ['butter beans', 'lima beans'],
    ['beetroot leaves', 'beet greens'],
    ['beetroot', 'beets'],
    ['aubergines?', 'eggplant'],
    ['courgettes?', 'zucchini'],
    ['swedes?', 'rutabaga'],
    ['rocket', 'arugula'],
    ['mangetout', 'snow peas'],
    ['sweetcorn', 'corn'],
    ['pak choi', 'bok choy'],
    ['coriander leaf', 'cilantro'],
    ['coriander leaves', 'cilantro'],
    ['pickled gherkins', 'pickled cucumbers'],
    ['gherkins', 'pickled cucumbers'],
    ['linseeds?', 'flaxseed'],
    ['prawns', 'shrimp'],
    ['treacle', 'molasses'],
    ['sultanas', 'golden raisins'],
    ['glacé', 'candied'],
    ['drink', 'beverage'],
    ['chillies', 'chili peppers'],
    ['chilli', 'chili'],
    ['yoghurt', 'yogurt'],
    ['soya beans', 'soybeans'],
    ['soya bean', 'soybean'],
    ['soya', 'soy'],
    ['caramelised', 'caramelized'],
    ['hydrolysed', 'hydrolyzed'],
    ['flavourings', 'flavorings'],
    ['flavouring', 'flavoring'],
    ['flavour', 'flavor'],
    ['fibre', 'fiber'],
  ] as const
).map(([british, american]) => [new RegExp(`\\b${british}\\b`, 'gi'), american]);

/** A label name in US English. */
export const usName = (name: string): string =>
  US_WORDS.reduce((said, [british, american]) => said.replace(british, american), name);
