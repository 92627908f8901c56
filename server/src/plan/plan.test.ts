import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import ICAL from 'ical.js';
import { openBook } from '@usual-pantry/core/book';
import type { Change } from '@usual-pantry/core/api';
import type { SeasonFile } from '@usual-pantry/core/season-file';
import { verifyPlan } from '../../../core/testing/verify-plan.js';
import { openServer, planOf, type TestServer, TODAY } from '../testing/server.js';

let server: TestServer;
beforeAll(async () => {
  server = await openServer({ demo: true });
});
afterAll(() => server.close());

const plan = () => planOf(server);
const verified = async () => {
  const file = (await server.http.get('/api/season-file').expect(200)).body as SeasonFile;
  return verifyPlan(await plan(), openBook(file), file.orders, TODAY);
};
const job = async () => (await server.http.get('/api/plan/job').expect(200)).body as { state: string; message: string };
const jobDone = async () => {
  for (;;) {
    const now = await job();
    if (now.state !== 'running') return now;
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
};

/** The first move to a later or an earlier bench day that is not refused. */
const firstMove = async () => {
  const { runs, days } = await plan();
  for (const run of runs)
    for (const { day: to, benchMinutes } of days) {
      // Onto a day that makes it already, two runs would become one.
      const isThere = runs.some((each) => each.recipeId === run.recipeId && each.day === to);
      if (benchMinutes === 0 || isThere) continue;
      const move = { recipeId: run.recipeId, from: run.day, to };
      const { status, headers } = await server.http.post('/api/plan/moves').send(move);
      if (status === 204) return { run, to, change: Number(headers['x-change']) };
    }
  throw new Error('nothing can be moved');
};

describe('the season plan', () => {
  it('comes with the demo, follows what was decided, and keeps every rule', async () => {
    expect(await plan()).toMatchObject({ decided: true, follows: true, solved: null });
    expect(await verified()).toEqual([]);
  });

  it('is worked out anew in a job that can be watched, and proven', async () => {
    await server.http.post('/api/plan/job').expect(202);
    await server.http.post('/api/plan/job').expect(409);
    expect((await plan()).decided).toBe(true);
    expect((await jobDone()).state).toBe('done');
    const after = await plan();
    expect(after.follows).toBe(true);
    expect(after.solved?.gap).toBeLessThan(0.05);
    expect(await verified()).toEqual([]);
  });

  it('can be stopped, and the last plan stays', async () => {
    const before = await plan();
    await server.http.post('/api/plan/job').expect(202);
    await server.http.delete('/api/plan/job').expect(200);
    expect(['stopped', 'done']).toContain((await jobDone()).state);
    expect((await plan()).runs).toEqual(before.runs);
  });

  it('keeps what is pinned while the season is being planned, and plans around it', async () => {
    const [first] = (await plan()).runs;
    if (!first) throw new Error('nothing to pin');
    const pin = { recipeId: first.recipeId, day: first.day, pinned: true };
    await server.http.post('/api/plan/job').expect(202);
    await server.http.post('/api/plan/pins').send(pin).expect(204);
    expect((await jobDone()).state).toBe('done');
    const after = await plan();
    expect(after.runs.find(({ recipeId, day }) => recipeId === first.recipeId && day === first.day)?.pinned).toBe(true);
    expect(after.follows).toBe(true);
    expect(await verified()).toEqual([]);
    await server.http
      .post('/api/plan/pins')
      .send({ ...pin, pinned: false })
      .expect(204);
  });

  it('refuses a change whose season has changed since it was looked at', async () => {
    const change = { loseDays: [], helpers: [{ day: '2026-12-08', hours: 1 }], moulds: [], boxes: [] };
    await server.http.post('/api/plan/what-if').send(change).expect(200);
    const [first] = (await plan()).runs;
    const pin = { recipeId: first?.recipeId, day: first?.day };
    await server.http
      .post('/api/plan/pins')
      .send({ ...pin, pinned: true })
      .expect(204);
    const refused = await server.http.post('/api/plan/what-if/accept').send(change).expect(409);
    expect(refused.body).toMatchObject({
      code: 'stale',
      detail: expect.stringContaining('changed since') as unknown,
    });
    expect((await plan()).runs.some(({ pinned }) => pinned)).toBe(true);
    await server.http
      .post('/api/plan/pins')
      .send({ ...pin, pinned: false })
      .expect(204);
  });

  it('moves a run and pins it, or says why not', async () => {
    const before = await plan();
    const toffee = before.runs.find(({ recipeId }) => recipeId === 'pumpkin-toffee');
    if (!toffee) throw new Error('no toffee');
    const move = { recipeId: 'pumpkin-toffee', from: toffee.day };
    const refused = await server.http
      .post('/api/plan/moves')
      .send({ ...move, to: '2026-12-20' })
      .expect(422);
    expect(JSON.stringify(refused.body)).toContain('Sunday 20 December is no bench day.');
    const humid = await server.http
      .post('/api/plan/moves')
      .send({ ...move, to: '2026-12-03' })
      .expect(422);
    expect(JSON.stringify(humid.body)).toContain('on Thursday 3 December: 64 % humidity are expected');
    const { run, to } = await firstMove();
    const { recipeId, day, batchCount } = run;
    const moved = (await plan()).runs.find((each) => each.recipeId === recipeId && each.day === to);
    expect(moved).toMatchObject({ pinned: true, batchCount });
    await server.http.post('/api/plan/pins').send({ recipeId, day: to, pinned: false }).expect(204);
    expect((await plan()).runs.every(({ pinned }) => !pinned)).toBe(true);
    await server.http.post('/api/plan/moves').send({ recipeId, from: to, to: day }).expect(204);
    expect((await plan()).runs.map((each) => `${each.recipeId} ${each.day}`)).toEqual(
      before.runs.map((each) => `${each.recipeId} ${each.day}`),
    );
    await server.http.post('/api/plan/pins').send({ recipeId, day, pinned: false }).expect(204);
  });

  it('refuses a move after which a day would have more work than its hours and its overtime', async () => {
    const { days, runs } = await plan();
    const kitchen = (await server.http.get('/api/kitchen')).body as { overtimeMinutes: number };
    const said: string[] = [];
    for (const { recipeId, day: from, handsMinutes } of runs)
      for (const { day: to, bookedMinutes, benchMinutes } of days) {
        if (to === from || benchMinutes === 0) continue;
        if (bookedMinutes + handsMinutes <= benchMinutes + kitchen.overtimeMinutes + 1) continue;
        const answer = await server.http.post('/api/plan/moves').send({ recipeId, from, to }).expect(422);
        said.push(JSON.stringify(answer.body));
      }
    expect(said.some((each) => /would be .* over its .* and the 1 h of overtime\./.test(each))).toBe(true);
    expect((await plan()).runs).toEqual(runs);
  });

  it('takes a move back to the plan as it was, unless something else was decided since', async () => {
    const before = await plan();
    const { change } = await firstMove();
    await firstMove();
    const undo = (id?: number) => server.http.post('/api/history/undo').send(id === undefined ? {} : { id });
    expect((await undo(change).expect(409)).body).toMatchObject({ code: 'in-the-way' });
    await undo().expect(200);
    await undo(change).expect(200);
    expect((await plan()).runs).toEqual(before.runs);
    await server.http.post('/api/history/redo').send({ id: change }).expect(200);
    expect((await plan()).runs).not.toEqual(before.runs);
    await undo(change).expect(200);
  });

  it('says what a lost day would do, and makes it real when that is accepted', async () => {
    const change = { loseDays: ['2026-12-05'], helpers: [{ day: '2026-12-08', hours: 2 }], moulds: [], boxes: [] };
    const version = async () => ((await server.http.get('/api/kitchen')).body as { version: number }).version;
    const before = await version();
    const { days, runs } = await plan();
    const { body } = await server.http.post('/api/plan/what-if').send(change).expect(200);
    expect(body).toMatchObject({ before: { broken: [expect.any(String)] }, after: { broken: [expect.any(String)] } });
    expect(await version()).toBe(before);
    await server.http
      .post('/api/plan/what-if/accept')
      .send({ ...change, loseDays: ['2026-12-12'] })
      .expect(409);
    await server.http.post('/api/plan/what-if/accept').send(change).expect(204);
    const after = await plan();
    expect(after.days.find(({ day }) => day === '2026-12-05')).toMatchObject({ benchMinutes: 0, runs: [] });
    expect(await verified()).toEqual([]);
    // Settings and days are one change, and are taken back as one.
    const { body: undone } = await server.http.post('/api/history/undo').send({}).expect(200);
    expect((undone as Change).records.map(({ noun }) => noun)).toEqual(['kitchen', 'plan']);
    expect(await plan()).toMatchObject({ days, runs });
    await server.http.post('/api/history/redo').send({}).expect(200);
    expect(await plan()).toMatchObject({ days: after.days, runs: after.runs });
  });

  it('says that it was stopped, and not that a change cannot be', async () => {
    const asked = server.http
      .post('/api/plan/what-if')
      .send({ loseDays: ['2026-12-12'] })
      .then((answer) => answer);
    while ((await job()).state !== 'running') await new Promise((resolve) => setTimeout(resolve, 20));
    await server.http.delete('/api/plan/job').expect(200);
    const { status, body } = await asked;
    expect(status).toBe(409);
    expect(body).toMatchObject({ code: 'given-up', detail: 'Stopped. The last plan stays.' });
  });

  it('goes into a calendar that can be read, with the same names each time', async () => {
    const { text } = await server.http
      .get('/api/plan/calendar.ics')
      .expect(200)
      .expect('Content-Type', /text\/calendar/);
    // RFC 5545, 3.1: every line ends with CRLF, none is longer than 75 octets.
    expect(text.endsWith('END:VCALENDAR\r\n')).toBe(true);
    expect(text.replace(/\r\n/g, '')).not.toMatch(/[\r\n]/);
    expect(Math.max(...text.split('\r\n').map((row) => Buffer.byteLength(row)))).toBeLessThanOrEqual(75);
    const calendar = new ICAL.Component(ICAL.parse(text) as unknown[]);
    const events = calendar.getAllSubcomponents('vevent').map((each) => new ICAL.Event(each));
    const now = await plan();
    const days = now.days
      .filter(({ bookedMinutes }) => bookedMinutes > 0)
      .map(({ day }) => `bench-${day}@usual-pantry`);
    const orders = now.handOvers.flatMap(({ orders: list }) =>
      list.map(({ orderId }) => `hand-over-${orderId}@usual-pantry`),
    );
    expect(events.map(({ uid }) => uid).sort()).toEqual([...days, ...orders].sort());
    const first = events.find(({ uid }) => uid === days[0]);
    // Thursdays begin at six, and end when the work does.
    expect(first?.startDate.toString()).toMatch(new RegExp(`^${days[0]?.slice(6, 16) ?? ''}T18:00:00Z?$`));
    // RFC 5545, 3.8.7.2: stamps are in UTC; and every time has its zone.
    expect(text.match(/^DTSTAMP:.*$/gm)?.every((each) => /:\d{8}T\d{6}Z\r?$/.test(each))).toBe(true);
    expect(text).not.toMatch(/^BEGIN:VEVENT(?:(?!END:VEVENT)[^])*DTSTART:\d{8}T\d{6}\r?$/m);
    expect((first?.endDate.toString() ?? '').slice(0, 13) > `${days[0]?.slice(6, 16) ?? ''}T20`).toBe(true);
    const handOver = events.find(({ uid }) => uid === orders[0]);
    expect(handOver?.startDate.isDate).toBe(true);
  });

  it('gives the shopping list as CSV and as text', async () => {
    const { text: csv } = await server.http.get('/api/plan/shopping.csv').expect(200);
    expect(csv.split('\r\n')[0]).toBe('shop,ingredient,pack,count,not before,buy by,cost');
    const { text } = await server.http.get('/api/plan/shopping.txt').expect(200);
    expect(text).toMatch(/^\[ \] \d+ x .+, by /m);
  });
});
