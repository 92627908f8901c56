import { appendFileSync, existsSync, readFileSync, renameSync, statSync } from 'node:fs';
import { PRIVATE_FILE } from './folder.js';

/** A file to which lines are only ever added, one JSON object a line. When it is too long, it is put aside and begun anew. */
export class LineFile<Line> {
  constructor(
    private readonly file: string,
    private readonly mostBytes: number,
  ) {}

  add(lines: readonly Line[]): void {
    if (existsSync(this.file) && statSync(this.file).size > this.mostBytes) renameSync(this.file, `${this.file}.1`);
    appendFileSync(this.file, lines.map((line) => `${JSON.stringify(line)}\n`).join(''), { mode: PRIVATE_FILE });
  }

  /** The newest lines, the oldest first. One that was cut off when the power went is left out. */
  newest(most: number): Line[] {
    if (!existsSync(this.file)) return [];
    return readFileSync(this.file, 'utf8')
      .trimEnd()
      .split('\n')
      .slice(-most)
      .flatMap(parsed<Line>);
  }
}

function parsed<Line>(line: string): Line[] {
  try {
    return [JSON.parse(line) as Line];
  } catch {
    return [];
  }
}
