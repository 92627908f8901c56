import type { Day } from '@usual-pantry/core/quantity';

/** Says which day it is, in the maker's own time zone. */
export abstract class Clock {
  abstract today(): Day;

  /** The moment, ISO 8601 in UTC. */
  abstract now(): string;
}

/** The computer's clock. */
export class SystemClock extends Clock {
  today(): Day {
    const now = new Date();
    const two = (value: number) => String(value).padStart(2, '0');
    return `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`;
  }

  now(): string {
    return new Date().toISOString();
  }
}

/** A clock that stands still, for tests and screenshots. */
export class FixedClock extends Clock {
  constructor(private readonly day: Day) {
    super();
  }

  today(): Day {
    return this.day;
  }

  now(): string {
    return `${this.day}T12:00:00.000Z`;
  }
}
