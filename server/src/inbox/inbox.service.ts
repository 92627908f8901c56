import { randomBytes } from 'node:crypto';
import { readFile, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { Inject, Injectable } from '@nestjs/common';
import type { TestMessage } from '@usual-pantry/core/api';
import {
  planMessage,
  shelfOfBook,
  shopMessageSchema,
  shopOrderId,
  type KnownOrder,
  type Receipt,
  type ShopMessage,
} from '@usual-pantry/core/intake';
import { cleanTexts } from '@usual-pantry/core/record';
import type { EntityManager } from 'typeorm';
import { BookService } from '../book/book.service.js';
import { Clock } from '../clock/clock.js';
import { DATA_DIR } from '../config.js';
import { ORDER_SENDER, type Delivery, type OrderSender } from '../device/order-sender.js';
import { distrust } from '../device/signature.js';
import { Audit } from '../door/audit.js';
import { notFound, Refused, unsigned, wrongValues } from '../refusal/refused.js';
import { OrderRecords } from '../order/order.records.js';
import { UnitOfWork } from '../storage/unit-of-work.js';
import { writeWhole } from '../storage/write-file.js';
import { InboxMessageRow } from './inbox.entity.js';

const SHOWN = 100;
const KEY_BYTES = 32;
/** A key that is shorter, or no base64, is not trusted. */
const KEY = /^(?:whsec_)?[A-Za-z0-9+/]{32,}={0,2}$/;

const receiptOf = ({ id, fate, why, orderId }: InboxMessageRow, again: boolean): Receipt => ({
  id,
  fate,
  why,
  orderId,
  again,
});

/** Takes what a shop sends: signed, at least once, in any order. The same message changes nothing twice. */
@Injectable()
export class InboxService {
  private readonly file: string;

  constructor(
    private readonly work: UnitOfWork,
    private readonly books: BookService,
    private readonly orders: OrderRecords,
    private readonly clock: Clock,
    private readonly audit: Audit,
    @Inject(ORDER_SENDER) private readonly sender: OrderSender,
    @Inject(DATA_DIR) folder: string,
  ) {
    this.file = join(folder, 'inbox-secret');
  }

  /** When the key was made that the shop signs with; null when there is none. The key itself is never shown again. */
  async keyMadeAt(): Promise<string | null> {
    const key = await this.readKey();
    return key === null || !KEY.test(key) ? null : (await stat(this.file)).mtime.toISOString();
  }

  /** Makes a new key; the one before holds no longer. @returns it, this once */
  makeKey(): string {
    const key = `whsec_${randomBytes(KEY_BYTES).toString('base64')}`;
    writeWhole(this.file, key);
    this.audit.note('inbox key made');
    return key;
  }

  /** The newest messages, the newest first. */
  messages(): Promise<InboxMessageRow[]> {
    return this.work.read((manager) =>
      manager.find(InboxMessageRow, { order: { receivedAt: 'DESC', revision: 'DESC', id: 'ASC' }, take: SHOWN }),
    );
  }

  /** @throws Refused 401 when it is not signed by the shop, 422 when it is no message */
  async receive({ body, by }: Delivery): Promise<Receipt> {
    const why = distrust(await this.assertKey(), by, body);
    if (why !== null) throw unsigned(why);
    const message = this.read(body);
    return this.work.write(
      async (manager) => {
        const known = await manager.findOneBy(InboxMessageRow, { id: message.id });
        if (known) return receiptOf(known, true);
        return receiptOf(await this.take(message, false, manager), false);
      },
      { part: 'orders' },
    );
  }

  /** Takes a message that was refused or waits to be decided: the shop's order goes before what is stored. */
  takeAfterAll(id: string): Promise<Receipt> {
    return this.work.write(
      async (manager) => {
        const known = await manager.findOneBy(InboxMessageRow, { id });
        if (!known) throw notFound('message', id);
        if (known.fate !== 'refused' && known.fate !== 'to decide') return receiptOf(known, true);
        return receiptOf(await this.take(known.message, true, manager), false);
      },
      { part: 'orders' },
    );
  }

  /** Sends a message as a shop would, signed by the shop's secret and over the same way in. */
  async send(
    order: ShopMessage['order'],
    manner: TestMessage['manner'],
  ): Promise<(Receipt | { readonly refused: string })[]> {
    const key = (await this.keyMadeAt()) === null ? this.makeKey() : await this.assertKey();
    const receipts: (Receipt | { readonly refused: string })[] = [];
    for (const delivery of this.sender.deliveries(order, manner, key)) {
      try {
        receipts.push(await this.receive(delivery));
      } catch (error) {
        if (!(error instanceof Refused)) throw error;
        receipts.push({ refused: error.problem.detail });
      }
    }
    return receipts;
  }

  private read(body: string): ShopMessage {
    let value: unknown;
    try {
      value = JSON.parse(body);
    } catch {
      throw new Refused('not-json', 'The message is not well-formed JSON. Nothing was changed.');
    }
    const text = cleanTexts(value);
    if (text.wrong.length > 0)
      throw wrongValues(text.wrong, 'The message has text that cannot be stored. Nothing was changed.');
    const { data, error } = shopMessageSchema.safeParse(text.value);
    if (!data) throw wrongValues(error.issues, 'The message has wrong values. Nothing was changed.');
    return data;
  }

  private async take(message: ShopMessage, force: boolean, manager: EntityManager): Promise<InboxMessageRow> {
    const { id, reference, revision } = message;
    this.work.entitle(`${reference} taken from the shop.`);
    const orderId = shopOrderId(reference);
    const { orders, book } = await this.books.season();
    const stored = orders.find((each) => each.id === orderId) ?? null;
    const last = await manager.findOne(InboxMessageRow, {
      where: { reference, fate: 'taken' },
      order: { revision: 'DESC' },
    });
    const known: KnownOrder | null = last && { revision: last.revision, version: last.orderVersion, stored };
    const plan = planMessage(message, known, shelfOfBook(book), this.clock.today(), force);
    const after =
      plan.fate !== 'taken'
        ? null
        : stored
          ? await this.orders.update(orderId, stored.version, plan.draft)
          : await this.orders.create(plan.draft, orderId);
    const row: InboxMessageRow = {
      id,
      receivedAt: new Date().toISOString(),
      reference,
      revision,
      message,
      fate: plan.fate,
      why: plan.why,
      orderId,
      orderVersion: after?.version ?? null,
    };
    await manager.save(InboxMessageRow, row);
    return row;
  }

  /** @throws Refused 503 when there is no key, or one that is too short to be trusted */
  private async assertKey(): Promise<string> {
    const key = await this.readKey();
    if (key === null) throw new Refused('no-inbox-key');
    if (!KEY.test(key))
      throw new Refused('no-inbox-key', 'The key of the inbox is too short to be trusted, or no key. Make a new one.');
    return key;
  }

  private async readKey(): Promise<string | null> {
    try {
      return (await readFile(this.file, 'utf8')).trim();
    } catch {
      return null;
    }
  }
}
