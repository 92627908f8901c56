import { createHash, randomBytes, randomInt, randomUUID, timingSafeEqual } from 'node:crypto';
import { Inject, Injectable } from '@nestjs/common';
import { DATA_DIR } from '../config.js';
import { notFound, Refused, wrongValues } from '../refusal/refused.js';
import { Audit } from './audit.js';
import { DoorFile, type Role, type Session } from './door-file.js';
import { GUESSABLE, isGuessable } from './guessable.js';
import { hashPassphrase, isPassphrase } from './passphrase.js';
import { Tries } from './tries.js';
import { AT_HOME, visitor, type Visitor } from './visitor.js';

const MINUTE_MS = 60_000;
const DAY_MS = 24 * 60 * MINUTE_MS;
/** A code to pair a device holds so long, for one device. */
const CODE_MS = 5 * MINUTE_MS;
/** A device that was not seen for so long, or was let in so long ago, must sign in again. */
export const IDLE_MS = 30 * DAY_MS;
const WHOLE_MS = 180 * DAY_MS;
/** When a device was last seen is written down no more often than this. */
const SEEN_EVERY_MS = 10 * MINUTE_MS;
const MOST_SESSIONS = 50;

/** Letters and figures that are not taken for each other. */
const CODE_LETTERS = 'ABCDEFGHJKLMNPQRSTUVWXYZ23456789';
const CODE_LENGTH = 10;

/** Whether the door is locked: whoever reaches the server must then sign in. */
export const DOOR_LOCKED = Symbol('DOOR_LOCKED');

interface Code {
  readonly code: string;
  readonly role: Role;
  readonly name: string;
  readonly until: number;
}

/** A device that is let in, as Settings lists it. */
export type Device = Omit<Session, 'tokenHash'>;

const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex');

const isSame = (a: string, b: string): boolean => {
  const [first, second] = [Buffer.from(a), Buffer.from(b)];
  return first.length === second.length && timingSafeEqual(first, second);
};

/** The door: who has signed in, with what, and what they may do. */
@Injectable()
export class DoorService {
  private readonly file: DoorFile;
  private codes: readonly Code[] = [];
  /** One try at a time: each takes much memory. */
  private trying: Promise<unknown> = Promise.resolve();
  private readonly tries = new Tries();

  constructor(
    @Inject(DATA_DIR) folder: string,
    @Inject(DOOR_LOCKED) readonly isLocked: boolean,
    private readonly audit: Audit,
  ) {
    this.file = new DoorFile(folder);
  }

  get hasPassphrase(): boolean {
    return this.file.now.passphrase !== null;
  }

  /** Who shows this token; null for nobody. */
  visitorOf(token: string | undefined, now = Date.now()): Visitor | null {
    if (!this.isLocked) return AT_HOME;
    if (token === undefined) return null;
    const hash = hashOf(token);
    const session = this.file.now.sessions.find((each) => isSame(each.tokenHash, hash));
    if (!session || this.isOver(session, now)) return null;
    if (now - Date.parse(session.seen) > SEEN_EVERY_MS)
      this.storeSessions((each) => (each.id === session.id ? { ...each, seen: new Date(now).toISOString() } : each));
    return { role: session.role, name: session.name, sessionId: session.id };
  }

  /** @returns the token that the device shows from now on. @throws Refused 401, 429 after too many tries */
  async signIn(passphrase: string, name: string, address: string): Promise<string> {
    await this.tries.counted(address, () => this.assertPassphrase(passphrase, name));
    this.audit.note('signed in', '', name);
    return this.letIn('maker', name, 'passphrase');
  }

  private async assertPassphrase(passphrase: string, name: string): Promise<void> {
    const { passphrase: kept } = this.file.now;
    const tried = this.trying.then(() => (kept === null ? false : isPassphrase(passphrase, kept)));
    this.trying = tried.catch(() => undefined);
    if (await tried) return;
    this.audit.note('refused at the door', 'passphrase', name);
    throw new Refused('wrong-passphrase');
  }

  /** A code with which one device can come in, for some minutes. */
  makeCode(role: Role, name: string, now = Date.now()): { readonly code: string; readonly until: string } {
    const code = Array.from({ length: CODE_LENGTH }, () => CODE_LETTERS[randomInt(CODE_LETTERS.length)]).join('');
    const until = now + CODE_MS;
    this.codes = [...this.codes.filter((each) => each.until > now), { code, role, name, until }];
    return { code, until: new Date(until).toISOString() };
  }

  /**
   * @returns the token that the device shows from now on
   * @throws Refused 401 when the code is none, was used, or is too old; 429 after too many tries
   */
  async pair(typed: string, address: string, now = Date.now()): Promise<string> {
    const { role, name } = await this.tries.counted(address, () => this.useCode(typed, now));
    this.audit.note('paired', role, name);
    return this.letIn(role, name, 'code');
  }

  private useCode(typed: string, now: number): Code {
    const wanted = typed.toUpperCase().replace(/[^A-Z0-9]/g, '');
    const found = this.codes.find(({ code, until }) => until > now && isSame(code, wanted));
    if (!found) {
      this.audit.note('refused at the door', 'code', 'unknown device');
      throw new Refused('wrong-code');
    }
    this.codes = this.codes.filter((each) => each !== found);
    return found;
  }

  devices(now = Date.now()): Device[] {
    return this.file.now.sessions
      .filter((each) => !this.isOver(each, now))
      .map(({ tokenHash: _hash, ...device }) => device);
  }

  /** Lets a device out. @throws Refused 404 */
  remove(id: string, what: 'signed out' | 'device removed'): void {
    const found = this.file.now.sessions.find((each) => each.id === id);
    if (!found) throw notFound('device', id);
    this.file.store({ sessions: this.file.now.sessions.filter((each) => each.id !== id) });
    this.audit.note(what, found.name);
  }

  /**
   * Sets the passphrase, and lets every other device out.
   * @param old the one that was set before; needed where the door is locked
   * @throws Refused 401 when that is not it, 422 when the new one is easily guessed
   */
  async setPassphrase(next: string, old: string | null, keep: string | null): Promise<void> {
    const { passphrase, sessions } = this.file.now;
    if (await isGuessable(next)) throw wrongValues([{ path: ['passphrase'], message: GUESSABLE }]);
    if (this.isLocked && passphrase)
      await this.tries.counted('passphrase', () => this.assertPassphrase(old ?? '', visitor().name));
    this.file.store({
      passphrase: await hashPassphrase(next),
      sessions: sessions.filter(({ id }) => id === keep),
    });
    this.codes = [];
    this.audit.note('passphrase set');
  }

  private letIn(role: Role, name: string, via: Session['via']): string {
    const token = randomBytes(32).toString('base64url');
    const now = new Date();
    const session: Session = {
      id: randomUUID(),
      tokenHash: hashOf(token),
      role,
      name,
      via,
      since: now.toISOString(),
      seen: now.toISOString(),
    };
    const others = this.file.now.sessions.filter((each) => !this.isOver(each, now.getTime()));
    this.file.store({ sessions: [...others, session].slice(-MOST_SESSIONS) });
    return token;
  }

  private storeSessions(change: (session: Session) => Session): void {
    this.file.store({ sessions: this.file.now.sessions.map(change) });
  }

  private isOver({ since, seen }: Session, now: number): boolean {
    return now - Date.parse(seen) > IDLE_MS || now - Date.parse(since) > WHOLE_MS;
  }
}
