import { Injectable } from '@nestjs/common';
import type { Finding } from '@usual-pantry/core/finding';

type Source = () => Promise<readonly Finding[]>;

/** Findings of what is kept beside the book and its plan. Whoever keeps it adds its own. */
@Injectable()
export class Beside {
  private readonly sources: Source[] = [];

  add(source: Source): void {
    this.sources.push(source);
  }

  async findings(): Promise<Finding[]> {
    return (await Promise.all(this.sources.map((source) => source()))).flat();
  }
}
