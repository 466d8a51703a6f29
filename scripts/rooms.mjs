/**
 * The plan of the house: the rooms of core, server and web, each of which leans only on those before it. The linter of
 * imports (.dependency-cruiser.mjs), the test of the architecture and the drawing in docs/imports.md all read it here.
 */
export const ROOMS = {
  'core/src': [
    'quantity',
    'schedule',
    'finding',
    'food',
    'kitchen',
    'allergen/statement',
    'allergen',
    'recipe',
    'audit',
    'matter',
    'nutrition',
    'dish/standard',
    'dish',
    'batch/heat',
    'batch',
    'declaration/words',
    'declaration',
    'swap',
    'assay',
    'worksheet/findings',
    'worksheet',
    'free-from',
    'paper/print',
    'paper/label',
    'paper/sheets',
    'paper',
    'exchange',
    'service',
  ],
  'server/src': [
    'http',
    'database',
    'paper',
    'larder',
    'recipes',
    'kitchens',
    'store',
    'accounts',
    'devices',
    'worksheets',
    'swaps',
    'menu',
    'exchange',
    'imports',
    'labels',
    'serving',
  ],
  'web/src': [
    'styles',
    'api',
    'worker',
    'state',
    'ui/plot',
    'ui',
    'swaps',
    'packs',
    'larder',
    'imports',
    'kitchen',
    'people',
    'devices',
    'allergens',
    'portion',
    'label',
    'batch/ledger',
    'batch/target',
    'batch',
    'bench',
    'take-in',
    'menu',
    'prepare',
    'service',
    'dishes',
    'app',
  ],
};

/** Most files in a folder, whatever they hold. */
export const MOST_FILES = 15;

/** The room a file of a part stands in; null for the files that put the rooms together. */
export function roomOf(part, file) {
  const inside = file.slice(part.length + 1);
  return inside.includes('/') ? inside.slice(0, inside.lastIndexOf('/')) : null;
}
