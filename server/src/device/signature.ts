import { Webhook, WebhookVerificationError } from 'standardwebhooks';

/** What a message is signed by, as its headers say it; what is missing is empty. */
export interface SignedBy {
  readonly 'webhook-id': string;
  /** Seconds since 1970. */
  readonly 'webhook-timestamp': string;
  readonly 'webhook-signature': string;
}

/** No signature at all. */
export const UNSIGNED: SignedBy = { 'webhook-id': '', 'webhook-timestamp': '', 'webhook-signature': '' };

/**
 * Signs a message as Standard Webhooks has it (version v1: HMAC-SHA256 over id, time and body).
 * @param key in base64, with or without `whsec_` before it
 * @throws Error when the key is no base64
 */
export function sign(key: string, id: string, at: Date, body: string): SignedBy {
  return {
    'webhook-id': id,
    'webhook-timestamp': String(Math.floor(at.getTime() / 1000)),
    'webhook-signature': new Webhook(key).sign(id, at, body),
  };
}

/**
 * Why a message cannot be believed to come from the shop: its signature holds for five minutes.
 * @returns null when it can
 */
export function distrust(key: string, by: SignedBy, body: string): string | null {
  if (Object.values(by).includes('')) return 'it is not signed';
  try {
    new Webhook(key).verify(body, { ...by }, { jsonParse: false });
    return null;
  } catch (error) {
    if (!(error instanceof WebhookVerificationError)) throw error;
    return /timestamp/i.test(error.message)
      ? 'its signature is older than five minutes, or its clock is wrong'
      : 'its signature is not the shop’s';
  }
}
