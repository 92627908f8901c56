// csv-spectrum: a published set of CSV files that readers get wrong, each with the rows that it holds.
import { describe, expect, it } from '@jest/globals';
import { readdirSync, readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { readCsv } from '../src/format/index.js';
import { dirname, join } from 'node:path';

const folder = dirname(createRequire(join(process.cwd(), 'core/package.json')).resolve('csv-spectrum'));
const names = readdirSync(join(folder, 'csvs')).map((file) => file.replace('.csv', ''));

describe('the published CSV cases', () => {
  it('are all there', () => {
    expect(names.length).toBeGreaterThanOrEqual(10);
  });

  // Its published answer has another telephone number than its file: only the coordinates are compared (their degree signs are lost in the file).
  it('location_coordinates', () => {
    const text = readFileSync(join(folder, 'csvs', 'location_coordinates.csv'), 'utf8');
    expect(readCsv(text).rows).toMatchObject([{ 'Location Coordinates': `37\uFFFD36'37.8"N 121\uFFFD2'17.9"W` }]);
  });

  it.each(names.filter((name) => name !== 'location_coordinates'))('%s', (name) => {
    const text = readFileSync(join(folder, 'csvs', `${name}.csv`), 'utf8');
    const rows = JSON.parse(readFileSync(join(folder, 'json', `${name}.json`), 'utf8')) as unknown;
    expect(readCsv(text).rows).toEqual(rows);
  });
});
