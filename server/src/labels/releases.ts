/** Labels on their way out of the kitchen: draft, checked, released, each step by a named person, frozen with its inputs. */
import { randomUUID } from 'node:crypto';
import type { Sequelize, Transaction } from 'sequelize';
import {
  type Book,
  type Claim,
  claimsOfSheet,
  claimsOn,
  freeze,
  type FrozenInputs,
  homeTarget,
  type InputChange,
  type Kitchen,
  type Label,
  labelContent,
  type LabelKind,
  letterFindings,
  missingOn,
  missingWords,
  type Person,
  type Regime,
  type Release,
  type ReleaseState,
  type ReleaseView,
  type SavedRecipe,
  type Signature,
  type StatementStyle,
  type Target,
  trayFigures,
  whatChanged,
  worksheet,
  type WorksheetInput,
} from '@hand-ladle/core';
import type { AuditAct, AuditTrail } from '../accounts/audit';
import type { People } from '../accounts/people';
import type { Row } from '../database/row';
import { ApiError } from '../http/errors';
import type { Store } from '../store';
import type { CookedBatches } from './cooked';

export interface ReleaseAsked {
  recipeId: string;
  kitchenId: string;
  regime?: Regime;
  target?: Target;
  vesselIds?: string[];
  style: StatementStyle;
  /** What it is released as. */
  kind: LabelKind;
  claims: string[];
  /** The batch it is the label of, as it was cooked; null for a label of the recipe. */
  batchCode?: string | null;
}

/** A label on its way with the inputs it was frozen with: these never leave but by their own address. */
export interface FrozenRelease extends Release {
  watch: { name: string; text: string }[];
  inputs: FrozenInputs;
}

/** What a label carries beside its figures: the tray's, and the law of its kitchen when it was handed in. */
interface Review {
  watch: FrozenRelease['watch'];
  kitchenRegime: Regime;
}

interface World {
  kitchen: (id: string) => Promise<Kitchen>;
  recipe: (id: string) => Promise<SavedRecipe>;
  book: (_: string) => Promise<Book>;
}

const ACT_OF: Readonly<Record<Exclude<ReleaseState, 'draft'>, AuditAct>> = {
  checked: 'checked',
  released: 'released',
  withdrawn: 'withdrawn',
};
/** The state each step is taken from. */
const FROM: Readonly<Record<Exclude<ReleaseState, 'draft'>, readonly ReleaseState[]>> = {
  checked: ['draft'],
  released: ['checked'],
  withdrawn: ['draft', 'checked', 'released'],
};

/** A label without what it was frozen with, which is large. */
export const withoutInputs = ({ inputs: _, ...view }: FrozenRelease): Omit<FrozenRelease, 'inputs'> => view;
/** What a list shows. */
const asListed = ({ inputs: _, label: __, claims: ___, watch: ____, ...view }: FrozenRelease): ReleaseView =>
  view;

export class Releases {
  constructor(
    private readonly store: Store,
    private readonly people: People,
    private readonly audit: AuditTrail,
    private readonly now: () => Date,
    private readonly cooked: CookedBatches,
  ) {}

  private get database(): Sequelize {
    return this.store.database;
  }

  /** Everything labels lean on as it stands now; read once for many labels. */
  private worldNow(): World {
    const once = <T>(read: (id: string) => Promise<T>): ((id: string) => Promise<T>) => {
      const known = new Map<string, Promise<T>>();
      return (id) => {
        let answer = known.get(id);
        if (!answer) known.set(id, (answer = read(id)));
        return answer;
      };
    };
    return {
      kitchen: once((id) => this.store.kitchens.kitchen(id)),
      recipe: once((id) => this.store.recipes.recipe(id)),
      book: once(() => this.store.recipes.book()),
    };
  }

  /** The inputs of a label as everything stands now. */
  private async inputNow(
    asked: Omit<ReleaseAsked, 'claims' | 'kind'>,
    world: World,
  ): Promise<{ input: WorksheetInput; frozen: FrozenInputs; book: Book; kitchenRegime: Regime }> {
    const own = await world.kitchen(asked.kitchenId);
    const made = asked.batchCode ? await this.cooked.labelInput(asked.batchCode) : null;
    if (made) {
      const input = { ...made.input, labelStyle: asked.style };
      return { input, frozen: freeze(input, made.book), book: made.book, kitchenRegime: own.regime };
    }
    const kitchen = asked.regime ? { ...own, regime: asked.regime } : own;
    const book = await world.book('');
    const saved = await world.recipe(asked.recipeId);
    const target = asked.target ?? saved.target ?? homeTarget(saved.recipe, book, kitchen);
    const input: WorksheetInput = {
      recipe: saved.recipe,
      kitchen,
      target,
      vesselIds: asked.vesselIds ?? saved.vesselIds,
      labelStyle: asked.style,
    };
    return { input, frozen: freeze(input, book), book, kitchenRegime: own.regime };
  }

  /** Hands a label in: frozen as it stands, a draft until somebody checks it. */
  async draft(asked: ReleaseAsked, by: Person): Promise<FrozenRelease> {
    const { input, frozen, book, kitchenRegime } = await this.inputNow(asked, this.worldNow());
    const sheet = worksheet(input, book);
    const all = claimsOfSheet(sheet, asked.style);
    const claims = asked.claims.map((id) => {
      const claim = all.find((each) => each.id === id);
      if (claim?.standing !== 'met') throw new ApiError('claim-not-met', [claim ?? { id }]);
      return claim;
    });
    const id = randomUUID();
    await this.database.transaction(async (transaction) => {
      await this.store.tables.releases.create(
        {
          id,
          kitchenId: input.kitchen.id,
          recipeId: input.recipe.id,
          kind: asked.kind,
          batchCode: asked.batchCode ?? null,
          state: 'draft',
          inputs: frozen,
          label: sheet.label,
          review: { watch: trayFigures(sheet), kitchenRegime },
          claims,
          draftedBy: by.id,
          draftedAt: this.now(),
          version: 1,
        },
        { transaction },
      );
      await this.audit.add(
        'drafted',
        by,
        id,
        {
          dish: input.recipe.name,
          regime: sheet.label.regime,
          kind: asked.kind,
          ...(asked.batchCode ? { batch: asked.batchCode } : {}),
        },
        transaction,
      );
    });
    return this.release(id);
  }

  /**
   * What is otherwise now than in frozen inputs. A kitchen that turned to the other law since makes its labels stale; one that
   * was handed in under the other law on purpose stands. A dish that is gone is one change.
   */
  private async changesSince(
    frozen: FrozenInputs,
    kitchenRegime: Regime,
    world: World,
    batchCode: string | null,
  ): Promise<InputChange[]> {
    const { recipe, kitchen, target, vesselIds, style } = frozen;
    const { regime } = kitchen;
    try {
      const asked = {
        recipeId: recipe.id,
        kitchenId: kitchen.id,
        // What was cooked has the target of its own record.
        ...(target.kind === 'as-weighed' ? {} : { target }),
        vesselIds,
        style,
        regime,
        batchCode,
      };
      const now = await this.inputNow(asked, world);
      const ofLaw =
        now.kitchenRegime === kitchenRegime
          ? []
          : [{ what: 'Law the label is printed under', before: kitchenRegime, after: now.kitchenRegime }];
      return [...ofLaw, ...whatChanged(frozen, now.frozen)];
    } catch (error) {
      if (error instanceof ApiError && error.code === 'recipe-not-found')
        return [{ what: 'The dish', before: recipe.name, after: '' }];
      throw error;
    }
  }

  /** What keeps a label from being checked: open decisions, letters and words it lacks, and what its law asks for and it has not. */
  private openPointsOf(label: Label, kind: LabelKind, claims: readonly Claim[]): string[] {
    const content = labelContent(label, kind, { claims: claimsOn(kind, claims) });
    return [
      ...new Set([
        ...label.draftReasons,
        ...letterFindings(content).map(({ message }) => message),
        ...missingOn(content)
          .filter(({ id }) => id !== 'language')
          .map(missingWords),
      ]),
    ];
  }

  private async viewOf(row: Row, names: ReadonlyMap<string, string>, world: World): Promise<FrozenRelease> {
    const inputs = row.get('inputs') as FrozenInputs;
    const label = row.get('label') as Label;
    const state = row.get('state') as ReleaseState;
    const kind = row.get('kind') as LabelKind;
    const claims = row.get('claims') as Claim[];
    const review = row.get('review') as Review;
    const batchCode = row.get('batchCode') as string | null;
    const changes =
      state === 'withdrawn' ? [] : await this.changesSince(inputs, review.kitchenRegime, world, batchCode);
    const ofBatch =
      batchCode === null || state === 'withdrawn' ? [] : await this.cooked.openPoints(batchCode);
    const signature = (who: string, when: string): Signature | null => {
      const at = row.get(when) as Date | null;
      return at ? { name: names.get(row.get(who) as string) ?? '', at: at.toISOString() } : null;
    };
    return {
      id: row.get('id') as string,
      recipeId: row.get('recipeId') as string,
      recipeName: label.title,
      kitchenId: row.get('kitchenId') as string,
      batchCode,
      kind,
      state,
      regime: label.regime,
      language: label.language,
      portionGrams: label.portionGrams,
      drafted: signature('draftedBy', 'draftedAt'),
      checked: signature('checkedBy', 'checkedAt'),
      released: signature('releasedBy', 'releasedAt'),
      withdrawn: signature('withdrawnBy', 'withdrawnAt'),
      openPoints: [...ofBatch, ...this.openPointsOf(label, kind, claims)],
      isStale: changes.length > 0,
      changes,
      version: row.get('version') as number,
      label,
      claims,
      watch: review.watch,
      inputs,
    };
  }

  async names(): Promise<Map<string, string>> {
    return new Map((await this.people.all()).map(({ id, name }) => [id, name]));
  }

  async release(id: string): Promise<FrozenRelease> {
    const row = await this.store.tables.releases.findByPk(id);
    if (!row) throw new ApiError('label-not-found');
    return this.viewOf(row, await this.names(), this.worldNow());
  }

  /** Labels of a kitchen, newest first; of one dish where it is named. */
  async list(kitchenId: string | undefined, recipeId: string | undefined): Promise<ReleaseView[]> {
    const rows = await this.store.tables.releases.findAll({
      where: { ...(kitchenId ? { kitchenId } : {}), ...(recipeId ? { recipeId } : {}) },
      order: [['draftedAt', 'DESC']],
      limit: 200,
    });
    const names = await this.names();
    const world = this.worldNow();
    const views: ReleaseView[] = [];
    for (const row of rows) views.push(asListed(await this.viewOf(row, names, world)));
    return views;
  }

  /** One step on. Nothing that is open or stale is checked or released. */
  async step(
    id: string,
    to: Exclude<ReleaseState, 'draft'>,
    version: number,
    by: Person,
  ): Promise<FrozenRelease> {
    const before = await this.release(id);
    if (!FROM[to].includes(before.state)) throw new ApiError('label-step', [{ state: before.state, to }]);
    if (to !== 'withdrawn') {
      if (before.openPoints.length > 0) throw new ApiError('label-open', before.openPoints);
      if (before.isStale) throw new ApiError('label-stale', before.changes);
    }
    if (to === 'released') await this.mustBeAnother(id, before.kitchenId, by);
    await this.database.transaction(async (transaction) => {
      const [changed] = await this.store.tables.releases.update(
        { state: to, [`${to}By`]: by.id, [`${to}At`]: this.now(), version: version + 1 },
        { where: { id, version }, transaction },
      );
      if (changed === 0) throw new ApiError('label-conflict');
      if (to === 'released') await this.takeThePlaceOf(before, by, transaction);
      await this.audit.add(
        ACT_OF[to],
        by,
        id,
        { dish: before.recipeName, regime: before.regime },
        transaction,
      );
    });
    return this.release(id);
  }

  /** A kitchen may want two pairs of eyes: one checks, another releases. */
  private async mustBeAnother(id: string, kitchenId: string, by: Person): Promise<void> {
    const { service } = await this.store.kitchens.kitchen(kitchenId);
    if (!service.isReleasedByAnother) return;
    const row = await this.store.tables.releases.findByPk(id, { attributes: ['checkedBy'] });
    if (row?.get('checkedBy') === by.id) throw new ApiError('label-same-person');
  }

  /** Of one dish (or one batch of it), kind, law and language one label is out: the one before is withdrawn by the one that takes its place. */
  private async takeThePlaceOf(newer: FrozenRelease, by: Person, transaction: Transaction): Promise<void> {
    const { id, kitchenId, recipeId, kind, batchCode } = newer;
    const rows = await this.store.tables.releases.findAll({
      where: { kitchenId, recipeId, kind, batchCode, state: 'released' },
      transaction,
    });
    for (const row of rows) {
      const { regime, language } = row.get('label') as Label;
      if (row.get('id') === id || regime !== newer.regime || language !== newer.language) continue;
      const version = (row.get('version') as number) + 1;
      await row.update(
        { state: 'withdrawn', withdrawnBy: by.id, withdrawnAt: this.now(), version },
        { transaction },
      );
      const older = row.get('id') as string;
      await this.audit.add(
        'withdrawn',
        by,
        older,
        { dish: newer.recipeName, regime, takenPlaceOfBy: id },
        transaction,
      );
    }
  }

  /** Labels that may leave the kitchen now, or a refusal that says why one may not. */
  async printables(ids: readonly string[]): Promise<FrozenRelease[]> {
    const names = await this.names();
    const world = this.worldNow();
    const found: FrozenRelease[] = [];
    for (const id of new Set(ids)) {
      const row = await this.store.tables.releases.findByPk(id);
      if (!row) throw new ApiError('label-not-found');
      const release = await this.viewOf(row, names, world);
      if (release.state !== 'released')
        throw new ApiError('label-not-released', [{ dish: release.recipeName, state: release.state }]);
      if (release.isStale) throw new ApiError('label-stale', release.changes);
      found.push(release);
    }
    return found;
  }

  async printable(id: string): Promise<FrozenRelease> {
    return (await this.printables([id]))[0]!;
  }
}
