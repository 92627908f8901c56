import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { LabelRunState, LotContents, PrintJob, SetLabel, StoredKitchen } from '@usual-pantry/core/api';
import type { LabelSettings } from '@usual-pantry/core/kitchen';
import type { LabelPrint, Weighing } from '@usual-pantry/core/label';
import { packingOf } from '@usual-pantry/core/order';
import type { SeasonFile } from '@usual-pantry/core/season-file';
import { prepareZXingModule, readBarcodes } from 'zxing-wasm/reader';
import { readPdf, readPlaces } from '../testing/pdf.js';
import { openServer, type TestServer } from '../testing/server.js';
import { codePng } from './code.js';
import { pixelsOfPng } from './png.js';

let server: TestServer;
beforeAll(async () => {
  server = await openServer({ demo: true });
});
afterAll(() => server.close());

const kitchen = async () => (await server.http.get('/api/kitchen').expect(200)).body as StoredKitchen;
/** Changes how labels are written. */
const settings = async (part: Partial<LabelSettings>) => {
  const now = await kitchen();
  await server.http
    .put('/api/kitchen')
    .send({ ...now, statementChecked: true, label: { ...now.label, ...part } })
    .expect(200);
};
const runs = async () => (await server.http.get('/api/labels').expect(200)).body as LabelRunState[];
/** Two runs of the box as it is sold. */
const twoRuns = async () => {
  const [first, second] = (await runs()).filter(({ without, standIns }) => without.length + standIns.length === 0);
  if (!first || !second) throw new Error('too few runs');
  return [first, second] as const;
};
const wanted = (run: LabelRunState, count: number) => ({
  boxId: run.boxId,
  handOver: run.handOver,
  ...packingOf(run),
  count,
});
const labelOf = async ({ boxId, handOver }: LabelRunState) =>
  (await server.http.get(`/api/boxes/${boxId}/label?handOver=${handOver}`).expect(200)).body as SetLabel;
const printed = async (): Promise<PrintJob> => {
  for (;;) {
    const job = (await server.http.get('/api/labels/print').expect(200)).body as PrintJob;
    if (job.state !== 'running') return job;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
};
/** Keeps an answer as it came. */
const binary = (response: NodeJS.ReadableStream, done: (error: Error | null, body: Buffer) => void) => {
  const chunks: Buffer[] = [];
  response.on('data', (chunk: Buffer) => chunks.push(chunk));
  response.on('end', () => {
    done(null, Buffer.concat(chunks));
  });
};
const fileOf = async ({ file }: PrintJob): Promise<Buffer> =>
  (
    await server.http
      .get(`/api/labels/printed/${file ?? ''}`)
      .buffer(true)
      .parse(binary as never)
      .expect(200)
  ).body as Buffer;

describe('labels of another school', () => {
  it('have their own emphasis, percentages and dates as soon as the kitchen chooses them', async () => {
    await settings({ school: 'us', widthMm: 150, heightMm: 250, storage: 'Keep cool and dry.' });
    const [run] = await twoRuns();
    const us = await labelOf(run);
    expect(us.blocks.find(({ kind }) => kind === 'contains')?.heading).toBe('Contains:');
    await settings({ school: 'eu' });
    const eu = await labelOf(run);
    expect(eu.school).toBe('eu');
    const list = eu.blocks.find(({ kind }) => kind === 'ingredients');
    expect(list?.spans.filter(({ strong }) => strong).length).toBeGreaterThan(2);
    expect(eu.blocks.find(({ kind }) => kind === 'dates')?.text).toMatch(
      /^Made \d+ \p{L}+ \d{4}\. Best before \d+ \p{L}+ \d{4}\.$/u,
    );
    expect(eu.textLetterMm).toBeLessThan(us.textLetterMm);
    expect(eu.required.map(({ key }) => key)).toContain('language');
  });

  it('are chosen for a single order, too, and stop where their French is missing', async () => {
    await settings({ school: 'us' });
    const { body } = await server.http.get('/api/orders/order-007').expect(200);
    const { id: _id, version, ...draft } = body as { id: string; version: number };
    await server.http
      .put('/api/orders/order-007')
      .send({ ...draft, version, labelSchool: 'canada' })
      .expect(200);
    const run = (await runs()).find(({ school }) => school === 'canada');
    expect(run).toBeDefined();
    const { body: label } = await server.http.get(`/api/boxes/${run?.boxId ?? ''}/label?handOver=${run?.handOver ?? ''}&school=canada&without=${run?.without.join() ?? ''}`).expect(200); // prettier-ignore
    expect((label as SetLabel).findings.map(({ code }) => code)).toContain('label-lacks');
    const refused = await server.http.post('/api/labels/print').send({ runs: [wanted(run as LabelRunState, 1)] }).expect(422); // prettier-ignore
    expect(JSON.stringify(refused.body)).toContain('in French');
    const stored = (await server.http.get('/api/orders/order-007').expect(200)).body as { version: number };
    await server.http.put('/api/orders/order-007').send({ ...draft, version: stored.version, labelSchool: null }).expect(200); // prettier-ignore
  });
});

describe('printing', () => {
  it('goes on from the fourth label of a part-used sheet with two runs, each within 0.3 mm of its cell, and says what it says', async () => {
    await settings({ school: 'eu', widthMm: 102, heightMm: 76, second: 'none' });
    const [first, second] = await twoRuns();
    const { body } = await server.http
      .post('/api/labels/print')
      .send({ runs: [wanted(first, 2), wanted(second, 1)], sheet: 'a4-2x2', startCell: 4 })
      .expect(202);
    expect(body).toMatchObject({ state: 'running', of: 2 });
    const job = await printed();
    expect(job).toMatchObject({ state: 'done', done: 2, sheets: 2, nextCell: 3 });
    const pdf = await fileOf(job);
    const { pages, fontsEmbedded } = await readPdf(pdf);
    expect(fontsEmbedded).toBe(true);
    expect(pages.map(({ widthMm, heightMm }) => [Math.round(widthMm), Math.round(heightMm)])).toEqual([[210, 297], [210, 297]]); // prettier-ignore
    const label = await labelOf(first);
    const plain = (text: string) => text.replace(/\s+/g, '');
    for (const { heading, text } of label.blocks)
      expect(plain(pages[0]?.text ?? '')).toContain(plain(`${heading}${text}`));
    // The cell lies 1.9 + 101.6 mm from the left and 9.5 + 139 mm from the top; text begins 2.5 mm inside.
    const places = await readPlaces(pdf);
    const lefts = places.map((page) => Math.min(...page.map(({ x }) => x)));
    const left = (210 - 2 * 99.1 - 2.5) / 2;
    expect(Math.abs((lefts[0] ?? 0) - (left + 99.1 + 2.5 + 2.5))).toBeLessThan(0.3);
    expect(Math.abs((lefts[1] ?? 0) - (left + 2.5))).toBeLessThan(0.3);
    const tops = places.map((page) => Math.min(...page.map(({ y }) => y)));
    expect((tops[0] ?? 0) - (297 - 2 * 139) / 2 - 139).toBeGreaterThan(2);
    expect((tops[1] ?? 0) - (297 - 2 * 139) / 2).toBeLessThan(10);
    // Letters: the small ones of the list are no lower than the law's least, the figures of the net quantity neither.
    const { netLetterMm, textLetterMm } = label;
    const sizes = places.flat().map(({ sizeMm }) => sizeMm * 0.496);
    expect(Math.min(...sizes)).toBeGreaterThanOrEqual(textLetterMm - 0.01);
    expect(Math.max(...places.flat().filter(({ text }) => /^\d+ g$/.test(text)).map(({ sizeMm }) => sizeMm * 0.496))).toBeGreaterThanOrEqual(netLetterMm - 0.01); // prettier-ignore
    const folder = mkdtempSync(join(tmpdir(), 'usual-pantry-pdf-'));
    writeFileSync(join(folder, 'labels.pdf'), pdf);
    expect(execFileSync('qpdf', ['--check', join(folder, 'labels.pdf')], { encoding: 'utf8' })).toContain(
      'No syntax or stream encoding errors',
    );
    rmSync(folder, { recursive: true });
  });

  it('is counted; more than there are boxes need a reason, and words that have changed since are said', async () => {
    const [first] = await twoRuns();
    expect(first.printed).toBe(2);
    const again = { runs: [wanted(first, first.count)], sheet: 'a4-2x2' };
    const refused = await server.http.post('/api/labels/print').send(again).expect(422);
    expect(JSON.stringify(refused.body)).toContain('Say why there must be more');
    await server.http
      .post('/api/labels/print')
      .send({ ...again, reason: 'Smudged' })
      .expect(202);
    expect((await printed()).state).toBe('done');
    const prints = (await server.http.get('/api/labels/prints').expect(200)).body as LabelPrint[];
    // The clock of the tests stands still: the newest cannot be told from the others by it.
    const { boxId, count, lot } = first;
    expect(prints).toContainEqual(expect.objectContaining({ boxId, count, lot, reason: 'Smudged' }));
    await settings({ storage: 'Keep in the fridge.' });
    const [now] = await twoRuns();
    expect(now).toMatchObject({ printed: first.count + 2, changed: first.count + 2 });
    expect((await labelOf(now)).findings.map(({ code }) => code)).toContain('label-words-changed');
    const { body: all } = await server.http.get('/api/plan/findings?size=500').expect(200);
    expect(JSON.stringify(all)).toContain('would say something else now');
    const file = (await server.http.get('/api/season-file').expect(200)).body as SeasonFile;
    expect(file.labelPrints).toHaveLength(3);
  });

  it('says what does not fit and how high it would have to be, and prints on a label and a back label what one cannot hold', async () => {
    await settings({ school: 'eu', widthMm: 99.1, heightMm: 67.7 });
    const [, second] = await twoRuns();
    const job = { runs: [wanted(second, 1)], sheet: 'letter-3x10', reason: 'test' };
    const { body } = await server.http.post('/api/labels/print').send(job).expect(422);
    expect(JSON.stringify(body)).toMatch(/does not fit: at this width its label must be/);
    const label = await labelOf(second);
    await settings({ second: 'back' });
    const parted = await labelOf(second);
    expect(parted.layouts).toHaveLength(2);
    const words = (runsOf: SetLabel['layouts']) =>
      runsOf.flatMap(({ runs: texts }) => texts.flatMap(({ text }) => text.split(' ')));
    // Nothing is lost; the name stands on both.
    expect([...new Set(words(parted.layouts))].sort()).toEqual([...new Set(words(label.layouts))].sort());
    await settings({ second: 'none' });
  });

  it('makes tapes, tickets, cards and tags from the same engine, and a test page', async () => {
    for (const tickets of ['tapes', 'shelf', 'allergens', 'tags']) {
      await server.http.post('/api/labels/print').send({ tickets, sheet: 'a4-2x2' }).expect(202);
      const job = await printed();
      expect([tickets, job.state]).toEqual([tickets, 'done']);
      const { pages } = await readPdf(await fileOf(job));
      expect(pages.map(({ text }) => text).join(' ')).toContain('Contains:');
    }
    const { body } = await server.http.get('/api/labels/test-page.pdf?sheet=a4-2x4').buffer(true).expect(200);
    expect(body).toBeDefined();
    await server.http.get('/api/labels/test-page.pdf?sheet=nothing').expect(422);
    const own = { paper: 'A4', columns: 9, rows: 2, widthMm: 60, heightMm: 40, gapXMm: 0, gapYMm: 0 };
    await server.http.post('/api/labels/print').send({ tickets: 'shelf', sheet: 'own', ownSheet: own }).expect(422);
    await server.http.post('/api/labels/print').send({ tickets: 'shelf', sheet: 'a4-2x2', startCell: 5 }).expect(422);
  });
});

describe('codes', () => {
  it('are read back by another reader, and lead to what is in the box', async () => {
    const wasm = createRequire(import.meta.url).resolve('zxing-wasm/reader/zxing_reader.wasm');
    prepareZXingModule({ overrides: { wasmBinary: new Uint8Array(readFileSync(wasm)).buffer } });
    const [{ lot, boxName }] = await twoRuns();
    for (const [kind, text] of [
      ['qr', `http://127.0.0.1:4317/contents/${lot}`],
      ['bars', lot],
    ] as const) {
      const [found] = await readBarcodes(new Uint8Array(await codePng(kind, text)));
      expect(found?.text).toBe(text);
    }
    const contents = (await server.http.get(`/api/lots/${lot}`).expect(200)).body as LotContents;
    expect(contents).toMatchObject({ lot, boxName });
    expect(contents.pieces.length).toBeGreaterThan(2);
    await server.http.get('/api/lots/L000000-NONE').expect(404);
    const lots = (await runs()).map((run) => run.lot);
    expect(new Set(lots).size).toBe(lots.length);
  });
});

describe('weighed boxes', () => {
  it('are kept with what was declared, and no box that is not there is weighed', async () => {
    const weighing = { boxId: 'sampler', declaredGrams: 100, weights: [101, 99.5, 102] };
    const { body } = await server.http.post('/api/weighings').send(weighing).expect(201);
    expect(body as Weighing[]).toMatchObject([weighing]);
    expect((await server.http.get('/api/boxes/sampler/weighings').expect(200)).body).toMatchObject([weighing]);
    await server.http
      .post('/api/weighings')
      .send({ ...weighing, boxId: 'none' })
      .expect(404);
    await server.http
      .post('/api/weighings')
      .send({ ...weighing, weights: [0] })
      .expect(422);
  });
});

describe('the picture on a label', () => {
  const logoOf = async () => (await labelOf((await twoRuns())[0])).layouts[0]?.logo ?? null;

  it('keeps its shape in its corner, and what is no picture is left out of the print', async () => {
    const png = Buffer.from(await codePng('bars', 'LOGO'));
    await settings({ widthMm: 150, heightMm: 250, logo: `data:image/png;base64,${png.toString('base64')}` });
    const { width = 0, height = 1 } = pixelsOfPng(png) ?? {};
    const placed = await logoOf();
    expect((placed?.widthMm ?? 0) / (placed?.heightMm ?? 1)).toBeCloseTo(width / height, 6);
    expect((placed?.x ?? 0) + (placed?.widthMm ?? 0)).toBeCloseTo(147.5, 6);
    await settings({ logo: 'data:image/png;base64,AAAA' });
    expect(await logoOf()).toBeNull();
    await server.http.get('/api/boxes/sampler/label.pdf?handOver=2026-12-05').expect(200);
    const now = await kitchen();
    await server.http.put('/api/kitchen').send({ ...now, label: { ...now.label, logo: 'https://elsewhere.example/logo.png' } }).expect(422); // prettier-ignore
    await settings({ logo: null });
  });
});

describe('a single label that is cut out', () => {
  it('lies in its bleed with marks at its corners, and its second side has what the maker puts there', async () => {
    await settings({ school: 'eu', widthMm: 120, heightMm: 200, bleedMm: 3, second: 'base', secondKinds: ['dates'] });
    const { body } = await server.http.get('/api/boxes/sampler/label.pdf?handOver=2026-12-05').buffer(true).parse(binary as never).expect(200); // prettier-ignore
    const { pages } = await readPdf(body as Buffer);
    expect(pages.map(({ widthMm, heightMm }) => [Math.round(widthMm), Math.round(heightMm)])).toEqual([[126, 206], [126, 206]]); // prettier-ignore
    expect(pages[0]?.text).not.toContain('Best before');
    expect(pages[1]?.text).toMatch(/^Pinwheel sampler ?Made .*Best before/);
    const [first = []] = await readPlaces(body as Buffer);
    expect(Math.abs(Math.min(...first.map(({ x }) => x)) - 5.5)).toBeLessThan(0.3);
    // What must be read first stays on the first side.
    const now = await kitchen();
    await server.http
      .put('/api/kitchen')
      .send({ ...now, label: { ...now.label, secondKinds: ['net'] } })
      .expect(422);
    await settings({ bleedMm: 0, second: 'none' });
  });
});

describe('what must not be printed', () => {
  it('is a box for a day for which nobody wants it any more, and a second print while one runs', async () => {
    const [run] = await twoRuns();
    const gone = { ...wanted(run, 1), handOver: '2027-03-01' };
    const { body } = await server.http
      .post('/api/labels/print')
      .send({ runs: [gone] })
      .expect(422);
    expect(JSON.stringify(body)).toContain('no order wants it');
    expect((await printed()).state).not.toBe('running');
    const tickets = { tickets: 'shelf', sheet: 'a4-2x2' };
    const answers = await Promise.all([1, 2].map(() => server.http.post('/api/labels/print').send(tickets)));
    expect(answers.map(({ status }) => status).sort()).toEqual([202, 409]);
    expect((await printed()).state).toBe('done');
  });
});
