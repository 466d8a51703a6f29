/** Passwords, kept as scrypt hashes (RFC 7914, by Node's own crypto). */
import { randomBytes, scrypt, type ScryptOptions, timingSafeEqual } from 'node:crypto';

const KEY_BYTES = 32;
/** About 60 ms and 32 MB a guess. */
const COST = { N: 2 ** 15, r: 8, p: 1, maxmem: 64 * 1024 * 1024 } as const;
/** Shorter than this is guessed too soon. */
export const LEAST_PASSWORD = 10;
export const MOST_PASSWORD = 200;

const derive = (password: string, salt: Buffer, options: ScryptOptions): Promise<Buffer> =>
  new Promise((resolve, reject) => {
    scrypt(password.normalize('NFKC'), salt, KEY_BYTES, options, (error, key) =>
      error ? reject(error) : resolve(key),
    );
  });

export async function hashPassword(password: string): Promise<string> {
  const salt = randomBytes(16);
  const key = await derive(password, salt, COST);
  return ['scrypt', COST.N, COST.r, COST.p, salt.toString('base64'), key.toString('base64')].join('$');
}

/** A hash of nothing anybody types: an unknown login takes as long to refuse as a wrong password. */
const NOBODY = [
  'scrypt',
  COST.N,
  COST.r,
  COST.p,
  Buffer.alloc(16).toString('base64'),
  Buffer.alloc(32, 1).toString('base64'),
].join('$');

/** Whether a password is the one of a hash; `hash` null is nobody's and always false. */
export async function isPassword(password: string, hash: string | null): Promise<boolean> {
  const [, n, r, p, salt, key] = (hash ?? NOBODY).split('$');
  const options = { N: Number(n), r: Number(r), p: Number(p), maxmem: COST.maxmem };
  const derived = await derive(password, Buffer.from(salt ?? '', 'base64'), options);
  const kept = Buffer.from(key ?? '', 'base64');
  return kept.length === derived.length && timingSafeEqual(kept, derived) && hash !== null;
}
