import { randomBytes, scrypt, timingSafeEqual, type ScryptOptions } from 'node:crypto';
import { z } from 'zod';

/** A passphrase as it is kept: scrypt (RFC 7914) with its own salt and cost. */
export const hashSchema = z.strictObject({
  salt: z.string(),
  hash: z.string(),
  /** CPU and memory cost, block size, parallelism. */
  n: z.int(),
  r: z.int(),
  p: z.int(),
});
export type PassphraseHash = z.infer<typeof hashSchema>;

/** 128 MB and some tenths of a second for each try. */
const COST = { n: 2 ** 17, r: 8, p: 1 };
const BYTES = 32;

const derive = (text: string, salt: Buffer, { n, r, p }: typeof COST): Promise<Buffer> =>
  new Promise((resolve, reject) => {
    const options: ScryptOptions = { N: n, r, p, maxmem: 256 * n * r };
    scrypt(text.normalize('NFC'), salt, BYTES, options, (error, key) => {
      if (error) reject(error);
      else resolve(key);
    });
  });

export async function hashPassphrase(text: string, cost = COST): Promise<PassphraseHash> {
  const salt = randomBytes(16);
  return { salt: salt.toString('hex'), hash: (await derive(text, salt, cost)).toString('hex'), ...cost };
}

/** Whether it is the passphrase that was set; takes as long when it is not. */
export async function isPassphrase(text: string, { salt, hash, ...cost }: PassphraseHash): Promise<boolean> {
  const key = await derive(text, Buffer.from(salt, 'hex'), cost);
  const kept = Buffer.from(hash, 'hex');
  return key.length === kept.length && timingSafeEqual(key, kept);
}
