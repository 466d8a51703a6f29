/**
 * What was said of words of pack statements that no list holds. Answers are only added: one that is taken back is an entry too,
 * and the last of a word holds. Whoever says it signs it, and the audit trail keeps it.
 */
import type { Sequelize } from 'sequelize';
import { answeredWord, dayIn, type Kitchen, type Signer } from '@hand-ladle/core';
import type { AuditTrail } from '../accounts/audit';
import type { People } from '../accounts/people';
import type { Tables } from '../database/models';
import type { Row } from '../database/row';
import { ApiError } from '../http/errors';
import type { KitchenStore } from '../kitchens/store';
import type { WordHolds } from './schemas';

/** One thing that was said of a word; `holds` is null where an answer was taken back. */
export interface WordEntry {
  word: string;
  holds: WordHolds | null;
  by: string;
  /** ISO date and time. */
  at: string;
}

const entryOf = (row: Row): WordEntry => ({
  word: row.get('word') as string,
  holds: row.get('holds') as WordHolds | null,
  by: row.get('byName') as string,
  at: (row.get('at') as Date).toISOString(),
});

/** What it stands on. */
interface Lean {
  database: Sequelize;
  tables: Tables;
  kitchens: KitchenStore;
  people: People;
  audit: AuditTrail;
  now: () => Date;
}

export class WordStore {
  constructor(private readonly lean: Lean) {}

  /** Who signs: the person signed in, else the one whose PIN made the signature. */
  async signer(session: Signer | null, signature: string): Promise<Signer> {
    const signed =
      signature === '' ? null : await this.lean.people.bySignature(signature, this.lean.now().getTime());
    const by = session ?? signed;
    if (!by) throw new ApiError('not-signed-in');
    return by;
  }

  /** Everything that was said in a kitchen, the last first. */
  async history(kitchenId: string): Promise<WordEntry[]> {
    await this.lean.kitchens.kitchen(kitchenId);
    const rows = await this.lean.tables.wordAnswers.findAll({
      where: { kitchenId },
      order: [['id', 'DESC']],
    });
    return rows.map(entryOf);
  }

  /** Keeps what a person says of a word; null takes back what was said. */
  async say(kitchenId: string, written: string, holds: WordHolds | null, by: Signer): Promise<Kitchen> {
    const kitchen = await this.lean.kitchens.kitchen(kitchenId);
    const word = answeredWord(written);
    if (word === '')
      throw new ApiError('bad-request', [{ word: written, message: 'This holds no letters.' }]);
    if (holds === null && !kitchen.words.some((each) => each.word === word))
      throw new ApiError('word-not-answered', [{ word }]);
    await this.lean.database.transaction(async (transaction) => {
      const at = this.lean.now();
      const on = dayIn(kitchen.service.timeZone, at.getTime());
      await this.lean.tables.wordAnswers.create(
        { kitchenId, word, holds, personId: by.id, byName: by.name, on, at },
        { transaction },
      );
      const person = { ...by, login: '', role: 'cook' as const, isActive: true };
      const act = holds === null ? 'word-taken-back' : 'word-answered';
      await this.lean.audit.add(act, person, word, { kitchenId, holds }, transaction);
    });
    return this.lean.kitchens.kitchen(kitchenId);
  }
}
