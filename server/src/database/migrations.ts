/** The schema, one step at a time. A step that has run on a kitchen's machine is never edited: add another. */
import { DataTypes, type QueryInterface, type Sequelize } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import { addAccountsAndLabels, removeAccountsAndLabels } from './accounts-and-labels';
import { grams, id, json, reference, serial, text } from './columns';
import { addCooking, removeCooking } from './cooking';
import { makeKitchensWhole, makeServicesWhole, makeWhole } from './whole-settings';

async function firstSchema(q: QueryInterface): Promise<void> {
  const position = { type: DataTypes.INTEGER.UNSIGNED, allowNull: false };
  await q.createTable('foods', { id, position, data: json() });
  await q.createTable('swaps', {
    id,
    position,
    from_id: reference('foods', false, 'RESTRICT'),
    data: json(),
  });
  await q.createTable('kitchens', { id, position, name: text(120), settings: json() });
  await q.createTable('packs', {
    id: serial,
    kitchen_id: reference('kitchens', false, 'CASCADE'),
    food_id: reference('foods', false, 'RESTRICT'),
    product_name: text(200),
    statement: { type: DataTypes.TEXT, allowNull: false },
    allergens: json(),
    certified_gluten_free: { type: DataTypes.BOOLEAN, allowNull: false },
    checked_by: text(120),
    checked_on: { type: DataTypes.DATEONLY, allowNull: false },
  });
  await q.createTable('kitchen_weights', {
    id: serial,
    kitchen_id: reference('kitchens', false, 'CASCADE'),
    food_id: reference('foods', false, 'RESTRICT'),
    unit: text(20),
    grams: grams(false),
    weighed_on: { type: DataTypes.DATEONLY, allowNull: false },
  });
  await q.createTable('recipes', {
    id,
    name: text(200),
    portions: grams(false),
    portion_grams: grams(true),
    measured_yield_grams: grams(true),
    is_component: { type: DataTypes.BOOLEAN, allowNull: false },
    parent_id: reference('recipes', true, 'RESTRICT'),
    free_from: json(),
    target: json(true),
    version: { type: DataTypes.INTEGER.UNSIGNED, allowNull: false },
    updated_at: { type: DataTypes.DATE(3), allowNull: false },
    deleted_at: { type: DataTypes.DATE(3), allowNull: true },
  });
  await q.createTable('recipe_lines', {
    id: serial,
    recipe_id: reference('recipes', false, 'CASCADE'),
    position,
    line_id: text(80),
    text: { type: DataTypes.TEXT, allowNull: false },
    reading: json(),
    answer_food_id: { type: DataTypes.STRING(80), allowNull: true },
    answer_grams: grams(true),
    answer_origin: { type: DataTypes.STRING(20), allowNull: true },
  });
  await q.createTable('recipe_steps', {
    id: serial,
    recipe_id: reference('recipes', false, 'CASCADE'),
    position,
    step_id: text(80),
    text: { type: DataTypes.TEXT, allowNull: false },
    reading: json(),
  });
  await q.createTable('recipe_swaps', {
    id: serial,
    recipe_id: reference('recipes', false, 'CASCADE'),
    from_id: text(80),
    swap_id: reference('swaps', false, 'RESTRICT'),
  });
  await q.addIndex('recipe_lines', ['recipe_id', 'line_id'], { unique: true });
  await q.addIndex('recipes', ['name']);
}

/** Packs remember what the reader said of animal origin; earlier ones were not asked. */
const addAnimalToPacks = (q: QueryInterface): Promise<void> =>
  q.addColumn('packs', 'animal', { type: DataTypes.STRING(10), allowNull: true });

/** Products: what is bought, and whether a changed statement was confirmed. Foods that people edit carry a version. */
async function addProductsAndNames(q: QueryInterface): Promise<void> {
  await q.addColumn('packs', 'supplier', { ...text(120), defaultValue: '' });
  await q.addColumn('packs', 'net_grams', grams(true));
  await q.addColumn('packs', 'drained_grams', grams(true));
  await q.addColumn('packs', 'price', { type: DataTypes.DECIMAL(12, 2), allowNull: true });
  await q.addColumn('packs', 'panel', json(true));
  await q.addColumn('packs', 'is_confirmed', {
    type: DataTypes.BOOLEAN,
    allowNull: false,
    defaultValue: true,
  });
  await q.addColumn('foods', 'version', {
    type: DataTypes.INTEGER.UNSIGNED,
    allowNull: false,
    defaultValue: 1,
  });
  await q.createTable('kitchen_names', {
    id: serial,
    kitchen_id: reference('kitchens', false, 'CASCADE'),
    food_id: text(80),
    written: text(200),
    tied_on: { type: DataTypes.DATEONLY, allowNull: false },
  });
}

async function removeProductsAndNames(q: QueryInterface): Promise<void> {
  await q.dropTable('kitchen_names');
  await q.removeColumn('foods', 'version');
  for (const column of ['supplier', 'net_grams', 'drained_grams', 'price', 'panel', 'is_confirmed'])
    await q.removeColumn('packs', column);
}

/** What was said of words of pack statements that no list holds. */
async function addWordAnswers(q: QueryInterface): Promise<void> {
  await q.createTable('kitchen_word_answers', {
    id: serial,
    kitchen_id: reference('kitchens', false, 'CASCADE'),
    word: text(200),
    holds: json(true),
    person_id: text(80),
    by_name: text(120),
    on: { type: DataTypes.DATEONLY, allowNull: false },
    at: { type: DataTypes.DATE(3), allowNull: false },
  });
}

/** The machines a batch is made in, lines done otherwise, and a version for two people who set up one kitchen. */
async function addMachinesAndTechniques(q: QueryInterface): Promise<void> {
  await q.addColumn('recipes', 'vessel_ids', json(true));
  await q.addColumn('recipe_lines', 'answer_technique', { type: DataTypes.STRING(20), allowNull: true });
  await q.addColumn('recipe_lines', 'answer_cooked_apart', {
    type: DataTypes.BOOLEAN,
    allowNull: false,
    defaultValue: false,
  });
  await q.addColumn('kitchens', 'version', {
    type: DataTypes.INTEGER.UNSIGNED,
    allowNull: false,
    defaultValue: 1,
  });
}

async function removeMachinesAndTechniques(q: QueryInterface): Promise<void> {
  await q.removeColumn('kitchens', 'version');
  await q.removeColumn('recipe_lines', 'answer_cooked_apart');
  await q.removeColumn('recipe_lines', 'answer_technique');
  await q.removeColumn('recipes', 'vessel_ids');
}

/** Swaps of a kitchen's own, how swaps turned out, packs read for the own list, and dishes kept off shared equipment. */
async function addOwnSwaps(q: QueryInterface): Promise<void> {
  await q.addColumn('swaps', 'kitchen_id', reference('kitchens', true, 'CASCADE'));
  await q.addColumn('packs', 'own', json(true));
  await q.addColumn('recipes', 'apart', json(true));
  const closeness = { type: DataTypes.DECIMAL(4, 3), allowNull: false };
  await q.createTable('swap_ratings', {
    id: serial,
    kitchen_id: reference('kitchens', false, 'CASCADE'),
    swap_id: reference('swaps', false, 'CASCADE'),
    taste: closeness,
    texture: closeness,
    rated_by: text(120),
    rated_on: { type: DataTypes.DATEONLY, allowNull: false },
  });
}

async function removeOwnSwaps(q: QueryInterface): Promise<void> {
  await q.dropTable('swap_ratings');
  await q.removeColumn('recipes', 'apart');
  await q.removeColumn('packs', 'own');
  await q.removeColumn('swaps', 'kitchen_id');
}

/** What else a recipe's text says, and what a cook said is not in it. */
async function addNotes(q: QueryInterface): Promise<void> {
  for (const column of ['notes', 'not_in'])
    await q.addColumn('recipes', column, { type: DataTypes.TEXT('long'), allowNull: true });
}

async function removeNotes(q: QueryInterface): Promise<void> {
  for (const column of ['notes', 'not_in']) await q.removeColumn('recipes', column);
}

/** What a cook says of a bath, and of figures the audit of matter doubts. */
async function addMatter(q: QueryInterface): Promise<void> {
  await q.addColumn('recipes', 'confirmed', { type: DataTypes.TEXT('long'), allowNull: true });
  await q.addColumn('recipe_lines', 'answer_bath', { type: DataTypes.STRING(20), allowNull: true });
}

async function removeMatter(q: QueryInterface): Promise<void> {
  await q.removeColumn('recipes', 'confirmed');
  await q.removeColumn('recipe_lines', 'answer_bath');
}

/** What a supplier's sheet says of a pack, and imports that can be taken back. */
async function addImports(q: QueryInterface): Promise<void> {
  await q.createTable('imports', {
    id: { type: DataTypes.STRING(40), primaryKey: true },
    kind: text(20),
    kitchen_id: reference('kitchens', true, 'CASCADE'),
    file_name: text(200),
    at: { type: DataTypes.DATE(3), allowNull: false },
    taken_back_at: { type: DataTypes.DATE(3), allowNull: true },
    created: { type: DataTypes.INTEGER.UNSIGNED, allowNull: false },
    updated: { type: DataTypes.INTEGER.UNSIGNED, allowNull: false },
    written: json(),
  });
  await q.addColumn('packs', 'sheet', json(true));
  await q.addColumn('packs', 'import_id', { type: DataTypes.STRING(40), allowNull: true });
}

async function removeImports(q: QueryInterface): Promise<void> {
  for (const column of ['sheet', 'import_id']) await q.removeColumn('packs', column);
  await q.dropTable('imports');
}

/** Meals of a day, with heads, dishes and who cooks them. */
async function addServices(q: QueryInterface): Promise<void> {
  await q.createTable('services', {
    id,
    kitchen_id: reference('kitchens', false, 'CASCADE'),
    date: { type: DataTypes.DATEONLY, allowNull: false },
    data: json(),
    version: { type: DataTypes.INTEGER.UNSIGNED, allowNull: false },
  });
  await q.addIndex('services', ['kitchen_id', 'date']);
}

/** What stands in store, the cycle of each kitchen, and what services say since. */
async function addStockAndCycles(q: QueryInterface): Promise<void> {
  await q.createTable('stock', {
    id,
    kitchen_id: reference('kitchens', false, 'CASCADE'),
    data: json(),
    version: { type: DataTypes.INTEGER.UNSIGNED, allowNull: false },
  });
  await q.createTable('cycles', {
    kitchen_id: { ...reference('kitchens', false, 'CASCADE'), primaryKey: true },
    data: json(),
    version: { type: DataTypes.INTEGER.UNSIGNED, allowNull: false },
  });
  await makeKitchensWhole(q);
  await makeServicesWhole(q);
}

async function removeStockAndCycles(q: QueryInterface): Promise<void> {
  await q.dropTable('stock');
  await q.dropTable('cycles');
}

/** How a dish is packed, which kind a label was released as, and jobs of many labels. */
async function addPacked(q: QueryInterface): Promise<void> {
  await q.addColumn('recipes', 'packed', json(true));
  await q.addColumn('label_releases', 'kind', {
    type: DataTypes.STRING(20),
    allowNull: false,
    defaultValue: 'serving',
  });
  await q.addColumn('print_jobs', 'parts', json(true));
}

async function removePacked(q: QueryInterface): Promise<void> {
  await q.removeColumn('recipes', 'packed');
  await q.removeColumn('label_releases', 'kind');
  await q.removeColumn('print_jobs', 'parts');
}

const TABLES_LAST_FIRST = [
  'recipe_swaps',
  'recipe_steps',
  'recipe_lines',
  'recipes',
  'kitchen_weights',
  'packs',
  'kitchens',
  'swaps',
  'foods',
];

/** Brings the schema up to date. Safe to run at every start. */
export async function migrate(database: Sequelize): Promise<string[]> {
  const umzug = new Umzug({
    context: database.getQueryInterface(),
    storage: new SequelizeStorage({ sequelize: database }),
    logger: undefined,
    migrations: [
      {
        name: '001-first-schema',
        up: ({ context }) => firstSchema(context),
        down: async ({ context }) => {
          for (const table of TABLES_LAST_FIRST) await context.dropTable(table);
        },
      },
      {
        name: '002-animal-origin-of-packs',
        up: ({ context }) => addAnimalToPacks(context),
        down: ({ context }) => context.removeColumn('packs', 'animal'),
      },
      {
        name: '003-products-and-names',
        up: ({ context }) => addProductsAndNames(context),
        down: ({ context }) => removeProductsAndNames(context),
      },
      {
        name: '004-machines-and-techniques',
        up: ({ context }) => addMachinesAndTechniques(context),
        down: ({ context }) => removeMachinesAndTechniques(context),
      },
      {
        name: '005-own-swaps-and-ratings',
        up: ({ context }) => addOwnSwaps(context),
        down: ({ context }) => removeOwnSwaps(context),
      },
      {
        name: '006-accounts-and-labels',
        up: ({ context }) => addAccountsAndLabels(context),
        down: ({ context }) => removeAccountsAndLabels(context),
      },
      {
        name: '007-notes-and-not-in',
        up: ({ context }) => addNotes(context),
        down: ({ context }) => removeNotes(context),
      },
      {
        name: '008-baths-and-confirmed-figures',
        up: ({ context }) => addMatter(context),
        down: ({ context }) => removeMatter(context),
      },
      {
        name: '009-sheets-and-imports',
        up: ({ context }) => addImports(context),
        down: ({ context }) => removeImports(context),
      },
      {
        name: '010-packed-portions',
        up: ({ context }) => addPacked(context),
        down: ({ context }) => removePacked(context),
      },
      {
        name: '011-whole-settings',
        up: ({ context }) => makeWhole(context),
        // What was filled in is what every version since reads for it.
        down: () => Promise.resolve(),
      },
      {
        name: '012-services',
        up: ({ context }) => addServices(context),
        down: ({ context }) => context.dropTable('services'),
      },
      {
        name: '013-stock-and-cycles',
        up: ({ context }) => addStockAndCycles(context),
        down: ({ context }) => removeStockAndCycles(context),
      },
      {
        name: '014-cooking',
        up: ({ context }) => addCooking(context),
        down: ({ context }) => removeCooking(context),
      },
      {
        name: '015-word-answers',
        up: ({ context }) => addWordAnswers(context),
        down: ({ context }) => context.dropTable('kitchen_word_answers'),
      },
    ],
  });
  return (await umzug.up()).map(({ name }) => name);
}
