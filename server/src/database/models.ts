/** Sequelize models: a table each, JSON columns read and written as values. */
import { DataTypes, type Model, type ModelStatic, type Sequelize } from 'sequelize';

export type Table = ModelStatic<Model<Record<string, unknown>, Record<string, unknown>>>;

export interface Tables {
  foods: Table;
  swaps: Table;
  ratings: Table;
  kitchens: Table;
  packs: Table;
  imports: Table;
  weights: Table;
  names: Table;
  wordAnswers: Table;
  recipes: Table;
  services: Table;
  stock: Table;
  cycles: Table;
  lines: Table;
  steps: Table;
  recipeSwaps: Table;
  people: Table;
  sessions: Table;
  attempts: Table;
  releases: Table;
  batches: Table;
  grounds: Table;
  entries: Table;
  batchFoods: Table;
  batchParts: Table;
  batchLabels: Table;
  pinSignatures: Table;
  jobs: Table;
  printers: Table;
  outputs: Table;
  audit: Table;
}

/** A column of JSON text that the model shows as a value. */
const json = (name: string) => ({
  type: DataTypes.TEXT('long'),
  get(this: Model): unknown {
    const raw = this.getDataValue(name) as string | null;
    return raw === null || raw === undefined ? null : JSON.parse(raw);
  },
  set(this: Model, value: unknown): void {
    this.setDataValue(name, value === null || value === undefined ? null : JSON.stringify(value));
  },
});

/** A decimal column that the model shows as a number. */
const decimal = (name: string) => ({
  type: DataTypes.DECIMAL(14, 3),
  get(this: Model): number | null {
    const raw = this.getDataValue(name) as string | number | null;
    return raw === null || raw === undefined ? null : Number(raw);
  },
});

const key = { type: DataTypes.STRING(80), primaryKey: true };
const serial = { type: DataTypes.INTEGER.UNSIGNED, autoIncrement: true, primaryKey: true };
const string = DataTypes.STRING;
const { TEXT, INTEGER, BOOLEAN, DATE, DATEONLY } = DataTypes;

export function defineTables(database: Sequelize): Tables {
  const table = (name: string, columns: Parameters<Sequelize['define']>[1]): Table =>
    database.define(name, columns, { tableName: name, timestamps: false }) as Table;
  return {
    foods: table('foods', { id: key, position: INTEGER, data: json('data'), version: INTEGER }),
    swaps: table('swaps', {
      id: key,
      position: INTEGER,
      fromId: string,
      kitchenId: string,
      data: json('data'),
    }),
    ratings: table('swap_ratings', {
      id: serial,
      kitchenId: string,
      swapId: string,
      taste: decimal('taste'),
      texture: decimal('texture'),
      ratedBy: string,
      ratedOn: DATEONLY,
    }),
    kitchens: table('kitchens', {
      id: key,
      position: INTEGER,
      name: string,
      settings: json('settings'),
      version: INTEGER,
    }),
    packs: table('packs', {
      id: serial,
      kitchenId: string,
      foodId: string,
      productName: string,
      statement: TEXT,
      allergens: json('allergens'),
      certifiedGlutenFree: BOOLEAN,
      animal: string,
      checkedBy: string,
      checkedOn: DATEONLY,
      supplier: string,
      netGrams: decimal('netGrams'),
      drainedGrams: decimal('drainedGrams'),
      price: decimal('price'),
      panel: json('panel'),
      own: json('own'),
      sheet: json('sheet'),
      importId: string,
      isConfirmed: BOOLEAN,
    }),
    imports: table('imports', {
      id: key,
      kind: string,
      kitchenId: string,
      fileName: string,
      at: DATE(3),
      takenBackAt: DATE(3),
      created: INTEGER,
      updated: INTEGER,
      written: json('written'),
    }),
    names: table('kitchen_names', {
      id: serial,
      kitchenId: string,
      foodId: string,
      written: string,
      tiedOn: DATEONLY,
    }),
    wordAnswers: table('kitchen_word_answers', {
      id: serial,
      kitchenId: string,
      word: string,
      holds: json('holds'),
      personId: string,
      byName: string,
      on: DATEONLY,
      at: DATE(3),
    }),
    weights: table('kitchen_weights', {
      id: serial,
      kitchenId: string,
      foodId: string,
      unit: string,
      grams: decimal('grams'),
      weighedOn: DATEONLY,
    }),
    services: table('services', {
      id: key,
      kitchenId: string,
      date: DATEONLY,
      data: json('data'),
      version: INTEGER,
    }),
    stock: table('stock', {
      id: key,
      kitchenId: string,
      data: json('data'),
      version: INTEGER,
    }),
    cycles: table('cycles', {
      // Not `key`: it is changed into the column `id` where it is used.
      kitchenId: { type: DataTypes.STRING(80), primaryKey: true },
      data: json('data'),
      version: INTEGER,
    }),
    recipes: table('recipes', {
      id: key,
      name: string,
      portions: decimal('portions'),
      portionGrams: decimal('portionGrams'),
      measuredYieldGrams: decimal('measuredYieldGrams'),
      isComponent: BOOLEAN,
      parentId: string,
      freeFrom: json('freeFrom'),
      apart: json('apart'),
      notes: json('notes'),
      notIn: json('notIn'),
      confirmed: json('confirmed'),
      packed: json('packed'),
      target: json('target'),
      vesselIds: json('vesselIds'),
      version: INTEGER,
      updatedAt: DATE(3),
      deletedAt: DATE(3),
    }),
    lines: table('recipe_lines', {
      id: serial,
      recipeId: string,
      position: INTEGER,
      lineId: string,
      text: TEXT,
      reading: json('reading'),
      answerFoodId: string,
      answerGrams: decimal('answerGrams'),
      answerOrigin: string,
      answerTechnique: string,
      answerBath: string,
      answerCookedApart: BOOLEAN,
    }),
    steps: table('recipe_steps', {
      id: serial,
      recipeId: string,
      position: INTEGER,
      stepId: string,
      text: TEXT,
      reading: json('reading'),
    }),
    recipeSwaps: table('recipe_swaps', { id: serial, recipeId: string, fromId: string, swapId: string }),
    people: table('people', {
      id: key,
      login: string,
      name: string,
      role: string,
      passwordHash: string,
      pinHash: string,
      isActive: BOOLEAN,
      createdAt: DATE(3),
    }),
    sessions: table('sessions', {
      tokenHash: { type: string, primaryKey: true },
      personId: string,
      createdAt: DATE(3),
      expiresAt: DATE(3),
    }),
    attempts: table('sign_in_attempts', {
      id: serial,
      login: string,
      address: string,
      at: DATE(3),
      isSuccess: BOOLEAN,
    }),
    releases: table('label_releases', {
      id: key,
      kitchenId: string,
      recipeId: string,
      kind: string,
      state: string,
      inputs: json('inputs'),
      label: json('label'),
      review: json('review'),
      claims: json('claims'),
      batchCode: string,
      draftedBy: string,
      draftedAt: DATE(3),
      checkedBy: string,
      checkedAt: DATE(3),
      releasedBy: string,
      releasedAt: DATE(3),
      withdrawnBy: string,
      withdrawnAt: DATE(3),
      version: INTEGER,
    }),
    batches: table('batches', {
      number: { type: DataTypes.INTEGER.UNSIGNED, autoIncrement: true, primaryKey: true },
      code: string,
      releaseId: string,
      madeOn: DATEONLY,
      useBy: DATEONLY,
      grams: decimal('grams'),
      madeBy: string,
      createdAt: DATE(3),
      clientId: string,
      kitchenId: string,
      recipeId: string,
      name: string,
      serviceId: string,
      serviceName: string,
      groupsFor: json('groupsFor'),
      groundHash: string,
      opening: json('opening'),
      brought: json('brought'),
      phase: string,
      openedBy: string,
    }),
    grounds: table('batch_grounds', { hash: { type: string, primaryKey: true }, data: json('data') }),
    entries: table('batch_entries', {
      number: serial,
      id: string,
      log: string,
      at: DATE(3),
      by: string,
      device: string,
      position: DataTypes.BIGINT,
      body: json('body'),
      receivedAt: DATE(3),
      aheadSeconds: DataTypes.BIGINT,
      isSigned: BOOLEAN,
    }),
    batchFoods: table('batch_foods', {
      id: serial,
      code: string,
      foodId: string,
      foodName: string,
      product: string,
      supplier: string,
      lot: string,
      statementVersion: INTEGER,
      isWritten: BOOLEAN,
    }),
    batchParts: table('batch_parts', { id: serial, code: string, partCode: string }),
    batchLabels: table('batch_labels', {
      id: serial,
      code: string,
      releaseId: string,
      title: string,
      quantity: INTEGER,
    }),
    pinSignatures: table('pin_signatures', {
      tokenHash: { type: string, primaryKey: true },
      personId: string,
      createdAt: DATE(3),
      expiresAt: DATE(3),
    }),
    jobs: table('print_jobs', {
      id: key,
      releaseId: string,
      content: json('content'),
      parts: json('parts'),
      options: json('options'),
      quantity: INTEGER,
      printed: INTEGER,
      state: string,
      problem: string,
      askedBy: string,
      askedAt: DATE(3),
      endedAt: DATE(3),
    }),
    printers: table('printer_state', { id: key, data: json('data') }),
    outputs: table('printer_outputs', {
      id: serial,
      jobId: string,
      sequence: INTEGER,
      lengthMm: decimal('lengthMm'),
      at: DATE(3),
    }),
    audit: table('audit_entries', {
      id: serial,
      at: DATE(3),
      personId: string,
      personName: string,
      role: string,
      act: string,
      subject: string,
      details: json('details'),
      previousHash: string,
      hash: string,
    }),
  };
}
