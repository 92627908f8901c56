import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible';
import { Refused } from '../refusal/refused.js';

/** So many wrong passphrases and codes may one address try in this time; then it must wait. */
const POINTS = 8;
const SECONDS = 15 * 60;
/** So many may all addresses together. */
const ALL_POINTS = 60;

const ofOne = () => new RateLimiterMemory({ points: POINTS, duration: SECONDS });
const ofAll = () => new RateLimiterMemory({ points: ALL_POINTS, duration: SECONDS });
const ALL = 'all';

const tooMany = (seconds: number) =>
  new Refused(
    'too-many-tries',
    `Too many tries. Wait ${String(Math.ceil(seconds / 60))} min, then try again.`,
    {},
    seconds,
  );

/** Slows down whoever guesses: wrong tries are counted, by address and all together. */
export class Tries {
  private readonly one = ofOne();
  private readonly all = ofAll();

  /**
   * Counts a try before it is looked at, so that tries at once do not slip through, and gives it back when it was right.
   * @throws Refused 429
   */
  async counted<T>(address: string, attempt: () => Promise<T> | T): Promise<T> {
    try {
      await this.one.consume(address);
      await this.all.consume(ALL);
    } catch (error) {
      if (error instanceof RateLimiterRes) throw tooMany(error.msBeforeNext / 1000);
      throw error;
    }
    const result = await attempt();
    await this.one.reward(address);
    await this.all.reward(ALL);
    return result;
  }
}
