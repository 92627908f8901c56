import { createHmac, timingSafeEqual } from 'node:crypto';

/** A signed message is taken this long after it was signed, ms. */
const FRESH_MS = 5 * 60 * 1000;

/** HMAC-SHA256 over the moment of signing and the body, as hexadecimal. */
export const sign = (secret: string, time: string, body: string): string =>
  createHmac('sha256', secret).update(`${time}\n${body}`).digest('hex');

/**
 * Why a message cannot be believed to come from the shop.
 * @returns null when it can
 */
export function distrust(
  secret: string,
  time: string | undefined,
  signature: string | undefined,
  body: string,
  now: number,
): string | null {
  if (time === undefined || signature === undefined) return 'it is not signed';
  const age = now - Date.parse(time);
  if (!(Math.abs(age) <= FRESH_MS)) return 'its signature is older than five minutes, or its clock is wrong';
  const [theirs, ours] = [Buffer.from(signature, 'utf8'), Buffer.from(sign(secret, time, body), 'utf8')];
  return theirs.length === ours.length && timingSafeEqual(theirs, ours) ? null : 'its signature is not the shop’s';
}
