/** The people of the kitchen, their roles, and their sessions. */
import { createHash, randomBytes, randomUUID } from 'node:crypto';
import { Op, UniqueConstraintError } from 'sequelize';
import { type Person, type PinSignature, type Role, type Signer } from '@hand-ladle/core';
import type { Tables } from '../database/models';
import type { Row } from '../database/row';
import { ApiError } from '../http/errors';
import { hashPassword, isPassword } from './passwords';

const HOUR = 3_600_000;
/** A working day: signed in at the early shift, out after the late one. */
export const SESSION_HOURS = 12;
/** Wrong guesses that are free, and how the wait grows after them: 5 s, 10 s, 20 s ... to 15 min. */
export const FREE_GUESSES = 5;
export const FIRST_WAIT_SECONDS = 5;
export const MOST_WAIT_SECONDS = 900;
/** One address may guess at several accounts a little longer. */
export const FREE_GUESSES_OF_ADDRESS = 20;

/** Seconds to wait after so many wrong guesses in a row. */
export const waitAfter = (wrong: number, free: number): number =>
  wrong < free ? 0 : Math.min(MOST_WAIT_SECONDS, FIRST_WAIT_SECONDS * 2 ** Math.min(20, wrong - free));

/** What was written this long before its signature was made is not signed by it: clocks differ a little, milliseconds. */
const SIGNED_BEFORE_MS = 120_000;

const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex');

const personOf = (row: Row): Person => ({
  id: row.get('id') as string,
  login: row.get('login') as string,
  name: row.get('name') as string,
  role: row.get('role') as Role,
  isActive: Boolean(row.get('isActive')),
});

/** An account as it is made. */
export interface NewPerson {
  login: string;
  name: string;
  role: Role;
  password: string;
  pin?: string;
}

/** What of an account is to be otherwise. */
export type PersonChange = Partial<Pick<Person, 'name' | 'role' | 'isActive'>> & {
  password?: string;
  /** What they sign with at a shared tablet; null takes it away. */
  pin?: string | null;
};

/** A PIN is a few digits: it signs entries at the stove, and opens nothing. */
export const LEAST_PIN = 4;
export const MOST_PIN = 8;

export class People {
  constructor(
    private readonly tables: Tables,
    private readonly now: () => Date,
  ) {}

  async all(): Promise<Person[]> {
    return (await this.tables.people.findAll({ order: [['name', 'ASC']] })).map(personOf);
  }

  async person(id: string): Promise<Person> {
    const row = await this.tables.people.findByPk(id);
    if (!row) throw new ApiError('person-not-found');
    return personOf(row);
  }

  async create(person: NewPerson): Promise<Person> {
    const { login, name, role, password, pin } = person;
    const id = randomUUID();
    try {
      await this.tables.people.create({
        id,
        login,
        name,
        role,
        passwordHash: await hashPassword(password),
        pinHash: pin === undefined ? null : await hashPassword(pin),
        isActive: true,
        createdAt: this.now(),
      });
    } catch (error) {
      if (error instanceof UniqueConstraintError) throw new ApiError('login-taken');
      throw error;
    }
    return this.person(id);
  }

  /** Changes what was named. A new password or a closed account ends every session of the person. */
  async change(id: string, { name, role, isActive, password, pin }: PersonChange): Promise<Person> {
    const before = await this.person(id);
    const losesManager = before.role === 'manager' && (isActive === false || (role && role !== 'manager'));
    const managers = await this.tables.people.count({ where: { role: 'manager', isActive: true } });
    if (losesManager && before.isActive && managers <= 1) throw new ApiError('last-manager');
    await this.tables.people.update(
      {
        ...(name === undefined ? {} : { name }),
        ...(role === undefined ? {} : { role }),
        ...(isActive === undefined ? {} : { isActive }),
        ...(password === undefined ? {} : { passwordHash: await hashPassword(password) }),
        ...(pin === undefined ? {} : { pinHash: pin === null ? null : await hashPassword(pin) }),
      },
      { where: { id } },
    );
    if (password !== undefined || isActive === false)
      await this.tables.sessions.destroy({ where: { personId: id } });
    if (pin !== undefined || isActive === false)
      await this.tables.pinSignatures.destroy({ where: { personId: id } });
    return this.person(id);
  }

  /** Wrong guesses since the last right one, and when the last was. */
  private async wrongGuesses(where: Record<string, unknown>): Promise<{ count: number; last: Date | null }> {
    const since = new Date(this.now().getTime() - 24 * HOUR);
    const rows = await this.tables.attempts.findAll({
      where: { ...where, at: { [Op.gte]: since } },
      order: [['id', 'DESC']],
      limit: 200,
    });
    const wrong = rows.findIndex((row) => Boolean(row.get('isSuccess')));
    const count = wrong < 0 ? rows.length : wrong;
    return { count, last: count > 0 ? (rows[0]!.get('at') as Date) : null };
  }

  /** Refuses while the wait after wrong guesses lasts, whatever is typed now. */
  private async mayGuess(login: string, address: string): Promise<void> {
    const waits = [
      { of: await this.wrongGuesses({ login }), free: FREE_GUESSES },
      { of: await this.wrongGuesses({ address }), free: FREE_GUESSES_OF_ADDRESS },
    ].map(({ of, free }) => {
      const until = (of.last?.getTime() ?? 0) + waitAfter(of.count, free) * 1000;
      return Math.ceil((until - this.now().getTime()) / 1000);
    });
    const seconds = Math.max(...waits);
    if (seconds > 0) throw new ApiError('too-many-guesses', [{ seconds }]);
  }

  /** Signs in; returns the person and the token of a new session. */
  async signIn(
    login: string,
    password: string,
    address: string,
  ): Promise<{ person: Person; token: string; expiresAt: Date }> {
    await this.mayGuess(login, address);
    const row = await this.tables.people.findOne({ where: { login } });
    const isRight = await isPassword(password, row ? (row.get('passwordHash') as string) : null);
    const isSuccess = isRight && row !== null && Boolean(row.get('isActive'));
    await this.tables.attempts.create({ login, address, at: this.now(), isSuccess });
    if (!isSuccess || !row) throw new ApiError('sign-in-refused');
    const token = randomBytes(32).toString('base64url');
    const expiresAt = new Date(this.now().getTime() + SESSION_HOURS * HOUR);
    await this.tables.sessions.create({
      tokenHash: hashOf(token),
      personId: row.get('id'),
      createdAt: this.now(),
      expiresAt,
    });
    await this.tables.sessions.destroy({ where: { expiresAt: { [Op.lt]: this.now() } } });
    return { person: personOf(row), token, expiresAt };
  }

  async signOut(token: string): Promise<void> {
    await this.tables.sessions.destroy({ where: { tokenHash: hashOf(token) } });
  }

  /** Who may sign with a PIN. */
  async signers(): Promise<Signer[]> {
    const rows = await this.tables.people.findAll({
      where: { isActive: true, pinHash: { [Op.ne]: null } },
      order: [['name', 'ASC']],
    });
    return rows.map((row) => ({ id: row.get('id') as string, name: row.get('name') as string }));
  }

  /** Signs with a PIN: the answer signs entries on one tablet until the shift is over. */
  async sign(personId: string, pin: string, address: string): Promise<PinSignature> {
    const login = `pin ${personId}`.slice(0, 80);
    await this.mayGuess(login, address);
    const row = await this.tables.people.findByPk(personId);
    const isRight = await isPassword(pin, row ? (row.get('pinHash') as string | null) : null);
    const isSuccess = isRight && row !== null && Boolean(row.get('isActive'));
    await this.tables.attempts.create({ login, address, at: this.now(), isSuccess });
    if (!isSuccess || !row) throw new ApiError('pin-refused');
    const signature = randomBytes(32).toString('base64url');
    const expiresAt = new Date(this.now().getTime() + SESSION_HOURS * HOUR);
    await this.tables.pinSignatures.create({
      tokenHash: hashOf(signature),
      personId,
      createdAt: this.now(),
      expiresAt,
    });
    const { id, name } = personOf(row);
    return { signature, person: { id, name }, expiresAt: expiresAt.toISOString() };
  }

  /**
   * Whose signature it is; null where it is nobody's. One that ended meanwhile still says who wrote what was written before:
   * a tablet may have been without the server all day.
   * @param at when what it signs was written, milliseconds since 1970
   */
  async bySignature(signature: string, at: number): Promise<Signer | null> {
    const found = await this.tables.pinSignatures.findByPk(hashOf(signature));
    if (!found || (found.get('expiresAt') as Date).getTime() < at) return null;
    if ((found.get('createdAt') as Date).getTime() > at + SIGNED_BEFORE_MS) return null;
    const row = await this.tables.people.findByPk(found.get('personId') as string);
    return row ? { id: row.get('id') as string, name: row.get('name') as string } : null;
  }

  /** Who a token is; null where it is nobody's, over, or the account is closed. */
  async bySession(token: string): Promise<Person | null> {
    const session = await this.tables.sessions.findByPk(hashOf(token));
    if (!session || (session.get('expiresAt') as Date) <= this.now()) return null;
    const row = await this.tables.people.findByPk(session.get('personId') as string);
    return row && row.get('isActive') ? personOf(row) : null;
  }
}

/** The demo set: one of each role. Their passwords are said at the first start and stand in the README. */
export const DEMO_PEOPLE: readonly NewPerson[] = [
  { login: 'ilka', name: 'Ilka Reedmace', role: 'cook', password: 'ladle-cook-1', pin: '2468' },
  { login: 'tamsin', name: 'Tamsin Oatfield', role: 'editor', password: 'ladle-editor-1', pin: '1357' },
  { login: 'bram', name: 'Bram Sorrel', role: 'checker', password: 'ladle-checker-1' },
  { login: 'wenna', name: 'Wenna Alder', role: 'manager', password: 'ladle-manager-1' },
];

/** Makes the demo set where there is nobody yet; true when it did. */
export async function seedPeople(people: People): Promise<boolean> {
  if ((await people.all()).length > 0) return false;
  for (const person of DEMO_PEOPLE) await people.create(person);
  return true;
}
