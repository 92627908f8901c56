import { z } from 'zod';
import type { OrderDraft } from '../order/index.js';
import { lineKey, orderDraftSchema, unsaidOf } from '../order/index.js';
import { sayDay, type Day } from '../quantity/index.js';
import { daySchema, idSchema, minorSchema, nameSchema, sayPath } from '../record/index.js';
import { indexNames, matchName } from '../reading/index.js';
import { idOfKey } from './key.js';
import type { Shelf } from './shelf.js';
import { wishesIn, wishList } from './wishes.js';

/**
 * A message from a shop about one of its orders. Each carries the whole order as it is then, so that none of them needs
 * another: they may come twice, late or in any order.
 */
export const shopMessageSchema = z
  .strictObject({
    /** The same for every delivery of one message. */
    id: idSchema,
    /** The shop's own number of the order. */
    reference: nameSchema(80),
    /** Counts the changes of the order; a message with a smaller number than one before is out of date. */
    revision: z.int().min(1),
    order: z.strictObject({
      customer: z.strictObject({ name: nameSchema(), contact: z.string().trim().max(120).default('') }),
      lines: z
        .array(z.strictObject({ box: nameSchema(120), count: z.int().min(1).max(500) }))
        .min(1, 'must name at least one box')
        .max(50),
      handOver: z.strictObject({
        on: daySchema,
        way: z.enum(['pick-up', 'stall', 'courier']),
        place: z.string().trim().max(120).default(''),
      }),
      exclusions: z.array(nameSchema(200)).max(40).default([]),
      paidMinor: minorSchema.default(0),
      cancelled: z.boolean().default(false),
      notes: z.string().max(4000).default(''),
    }),
  })
  .meta({ id: 'ShopMessage' });

export type ShopMessage = z.infer<typeof shopMessageSchema>;

/** What became of a message. */
export const messageFates = ['taken', 'out of date', 'refused', 'to decide'] as const;
export type MessageFate = (typeof messageFates)[number];

/** What became of one delivery. */
export interface Receipt {
  readonly id: string;
  readonly fate: MessageFate;
  readonly why: string;
  readonly orderId: string;
  /** Whether the same message had been delivered before: then nothing was done. */
  readonly again: boolean;
}

/** What is known of an order from its earlier messages. */
export interface KnownOrder {
  readonly revision: number;
  /** The version of the order that the last taken message left. */
  readonly version: number | null;
  /** The order as it is stored now; null when it is not there. */
  readonly stored: (OrderDraft & { readonly version: number }) | null;
}

/** What a message does to the orders. */
export type MessagePlan =
  | { readonly fate: 'taken'; readonly draft: OrderDraft; readonly why: '' }
  | { readonly fate: Exclude<MessageFate, 'taken'>; readonly draft: OrderDraft | null; readonly why: string };

/** The id that an order of the shop is stored under: the same for every message about it. */
export const shopOrderId = (reference: string): string => idOfKey('shop', reference);

const stateOf = ({ cancelled }: ShopMessage['order'], before: OrderDraft | null): OrderDraft['state'] => {
  if (cancelled) return 'cancelled';
  const made = before?.state === 'packed' || before?.state === 'handed over';
  return made ? before.state : 'confirmed';
};

/**
 * Works out what a message does, without storing anything.
 *
 * A message that is older than what was taken changes nothing. An order that the maker has changed since is left to the maker to
 * decide. What cannot be read is refused in words.
 * @param force whether the maker has said that the shop's order goes before their own
 */
export function planMessage(
  { reference, revision, order }: ShopMessage,
  known: KnownOrder | null,
  shelf: Shelf,
  today: Day,
  force = false,
): MessagePlan {
  if (known && revision <= known.revision)
    return {
      fate: 'out of date',
      draft: null,
      why: `Number ${known.revision} of ${reference} was taken before: this one is older.`,
    };
  const problems: string[] = [];
  const index = indexNames(shelf.boxes.map((box) => ({ ...box, kind: 'ingredient' as const })));
  const lines = new Map<string, OrderDraft['lines'][number]>();
  const stored = known?.stored ?? null;
  // Whatever rules something out is found, in whichever part of the message it stands.
  const customer = wishesIn(order.customer.name, shelf);
  const noted = wishesIn(order.notes, shelf);
  for (const { box, count } of order.lines) {
    const isName = shelf.boxes.some(({ id }) => id === box) || matchName(box, index).certain;
    const wishes = isName ? { codes: [], unknown: [], rest: box } : wishesIn(box, shelf);
    const id = shelf.boxes.some((each) => each.id === box) ? box : matchName(wishes.rest, index).found?.id;
    for (const words of wishes.unknown) problems.push(`“${words}” beside ${box} is not understood`);
    if (id === undefined) {
      problems.push(`there is no one box “${box}”`);
      continue;
    }
    const edition = stored?.lines.find((line) => line.boxId === id)?.edition ?? null;
    const line = { boxId: id, count, edition, without: [...wishes.codes].sort() };
    const same = lines.get(lineKey(line));
    lines.set(lineKey(line), same ? { ...same, count: same.count + count } : line);
  }
  const listed = order.exclusions.map((word) => wishList(word, shelf));
  for (const words of listed.flatMap(({ unknown }) => unknown))
    problems.push(`“${words}” is nothing that can be ruled out`);
  for (const words of customer.unknown) problems.push(`“${words}” in the customer’s name is not understood`);
  if (order.handOver.on < today && order.handOver.on !== stored?.handOver.on && !order.cancelled)
    problems.push(`${sayDay(order.handOver.on)} has passed`);
  if (problems.length > 0) return { fate: 'refused', draft: null, why: `${reference}: ${problems.join('; ')}.` };
  const exclusions = new Set([...listed.flatMap(({ codes }) => codes), ...customer.codes, ...noted.codes]);
  // What the whole order rules out need not be said of a line: lines that differ in nothing else are one.
  const merged = new Map<string, OrderDraft['lines'][number]>();
  for (const line of lines.values()) {
    const own = { ...line, without: line.without.filter((code) => !exclusions.has(code)) };
    const same = merged.get(lineKey(own));
    merged.set(lineKey(own), same ? { ...same, count: same.count + own.count } : own);
  }
  const parsed = orderDraftSchema.safeParse({
    ...unsaidOf(stored),
    customer: { ...order.customer, name: customer.rest || order.customer.name },
    lines: [...merged.values()],
    handOver: order.handOver,
    exclusions: [...exclusions],
    state: stateOf(order, stored),
    depositMinor: order.paidMinor,
    notes: order.notes || (stored?.notes ?? ''),
  });
  // Each part may be right by itself, and too much together.
  if (!parsed.success) {
    const why = parsed.error.issues.map(({ path, message }) => `${sayPath(path)} ${message}`).join('; ');
    return { fate: 'refused', draft: null, why: `${reference}: ${why}.` };
  }
  const draft = parsed.data;
  if (stored && known?.version !== stored.version && !force)
    return {
      fate: 'to decide',
      draft,
      why: `You have changed ${stored.customer.name}’s order since the shop’s last message, and the shop has changed it too.`,
    };
  return { fate: 'taken', draft, why: '' };
}
