import type { AddressInfo } from 'node:net';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from '@jest/globals';
import type { EndMaking, FindingPage, LabelRunState, MakingEvents, SetLabel } from '@usual-pantry/core/api';
import type { Batch } from '@usual-pantry/core/batch';
import { readDeviceLines, writeDeviceLine, type DeviceMessage } from '@usual-pantry/core/device';
import type { Ingredient } from '@usual-pantry/core/ingredient';
import type { Happening, MakingEvent } from '@usual-pantry/core/making';
import type { SeasonFile } from '@usual-pantry/core/season-file';
import { WebSocket } from 'ws';
import { openServer, PASSPHRASE, planOf, readDemo, TODAY, type TestServer } from '../testing/server.js';

let server: TestServer;
let port: number;
beforeAll(async () => {
  server = await openServer();
  await server.app.listen(0, '127.0.0.1');
  ({ port } = server.app.getHttpServer().address() as AddressInfo);
});
beforeEach(async () => {
  await server.http
    .post('/api/season-file')
    .send(await readDemo())
    .expect(200);
});
afterAll(() => server.close());

let count = 0;
const happened = (event: Happening): MakingEvent => ({
  id: `event-${String(count++)}`,
  at: '2026-11-25T18:00:00.000Z',
  ...event,
});
const file = async () => (await server.http.get('/api/season-file').expect(200)).body as SeasonFile;
const ingredient = async (id: string) =>
  (await server.http.get(`/api/ingredients/${id}`).expect(200)).body as Ingredient;

/** Begins a batch of toffee under an id of its own. */
async function started(recipeId = 'sesame-toffee'): Promise<string> {
  const id = `making-${String(count++)}`;
  await server.http
    .post('/api/makings')
    .send({ id, recipeId, size: 1, on: TODAY, startedAt: '2026-11-25T17:50:00.000Z' })
    .expect(201);
  return id;
}
const add = async (id: string, ...events: MakingEvent[]) =>
  (await server.http.post(`/api/makings/${id}/events`).send({ events }).expect(200)).body as MakingEvents;
const eventsOf = async (id: string, after = 0) =>
  (await server.http.get(`/api/makings/${id}/events?after=${String(after)}`).expect(200)).body as MakingEvents;
const ending = (more: Partial<EndMaking> = {}): object => ({
  state: 'done',
  grams: 950,
  pieces: null,
  grade: 4,
  ...more,
});
const endOf = async (id: string, more: Partial<EndMaking> = {}) => {
  const elsewhere = (await file()).ingredients.map((each) => each.id);
  const { body } = await server.http
    .post(`/api/makings/${id}/end`)
    .send(ending({ elsewhere, ...more }))
    .expect(201);
  return body as Batch;
};

describe('a batch at the bench', () => {
  it('is one batch however often it is begun, and takes what happened once and in order', async () => {
    const id = await started();
    const again = { id, recipeId: 'sesame-toffee', size: 1, on: TODAY, startedAt: '2026-11-25T17:50:00.000Z' };
    await server.http.post('/api/makings').send(again).expect(201);
    const first = happened({ kind: 'weighed', line: 0, grams: 455, useBy: null });
    const second = happened({ kind: 'stage', stage: 1 });
    const third = happened({ kind: 'note', note: 'stirred', text: '', celsius: 118, stage: 1 });
    expect((await add(id, first, second)).place).toBe(2);
    // The answer was lost on its way: all of it comes again, with more.
    expect((await add(id, first, second, third)).place).toBe(3);
    expect((await eventsOf(id)).events).toEqual([first, second, third]);
    expect((await eventsOf(id, 2)).events).toEqual([third]);
    // What another batch has already is not dropped in silence: nothing of it is taken in.
    const other = await started();
    const fresh = happened({ kind: 'stage', stage: 2 });
    const answer = await server.http
      .post(`/api/makings/${other}/events`)
      .send({ events: [fresh, third] })
      .expect(409);
    expect(answer.body).toMatchObject({ code: 'id-taken' });
    expect((await eventsOf(other)).events).toEqual([]);
    const { body } = await server.http.get('/api/makings').expect(200);
    expect((body as { id: string }[]).filter((each) => each.id === id)).toHaveLength(1);
  });

  it('changes no figure of the season while it goes on', async () => {
    const id = await started();
    const before = (await server.http.get('/api/plan').expect(200)).get('x-revision');
    await add(id, happened({ kind: 'stage', stage: 1 }));
    expect((await server.http.get('/api/plan').expect(200)).get('x-revision')).toBe(before);
  });

  it('ends as a batch that was made, with what was weighed; stock, plan and what is made to spare follow', async () => {
    const before = await planOf(server);
    const yields = (await file()).recipes.find(({ id }) => id === 'sesame-toffee')?.weighedYields.length ?? 0;
    const butter = await ingredient('unsalted-butter');
    const id = await started();
    await add(
      id,
      happened({ kind: 'weighed', line: 0, grams: 200, useBy: null }),
      happened({ kind: 'readings', stage: 2, values: [[0, 110, null], [60_000, 144, null], [60_500, 999, 'impossible']] }), // prettier-ignore
      happened({ kind: 'room', celsius: 21, humidity: 44 }),
    );
    const batch = await endOf(id, { pieces: 48, rejects: [{ reason: 'broken', count: 2 }] });
    expect(batch).toMatchObject({
      recipeId: 'sesame-toffee',
      on: TODAY,
      grams: 912,
      log: { makingId: id, finalCelsius: 144, cookSeconds: 60, humidity: 44, grade: 4 },
    });
    expect(batch.log?.weights.find(({ ingredientId }) => ingredientId === 'unsalted-butter')?.grams).toBe(200);
    const taken = batch.taken.reduce((sum, part) => (part.ingredientId === butter.id ? sum + part.grams : sum), 0);
    expect(taken).toBeLessThanOrEqual(200);
    expect((await ingredient('unsalted-butter')).onHandGrams).toBeCloseTo(butter.onHandGrams - taken, 3);
    const after = await planOf(server);
    const toMake = ({ runs }: typeof after) =>
      runs.filter(({ recipeId }) => recipeId !== 'sesame-toffee').map(({ recipeId, day, batches }) => [recipeId, day, batches]); // prettier-ignore
    expect(after.made).toMatchObject([{ recipeId: 'sesame-toffee', yieldGrams: 912 }]);
    expect(after.made[0]?.pegs.reduce((sum, { pieces }) => sum + pieces, 0)).toBeGreaterThan(0);
    // It gave less than its recipe says, so that one more of it may be wanted for that; nothing else changes.
    expect(after.batches).toBeLessThanOrEqual(before.batches);
    expect(toMake(after)).toEqual(toMake(before));
    expect((await file()).batches).toHaveLength(1);
    expect(yields).toBeGreaterThan(0);
    await server.http.post(`/api/makings/${id}/end`).send(ending()).expect(409);
  });

  it('asks where that came from which the pantry does not have, and keeps everything meanwhile', async () => {
    const stored = await file();
    const empty = stored.ingredients.map((each) => ({ ...each, onHandGrams: 0, lots: [] }));
    await server.http
      .post('/api/season-file')
      .send({ ...stored, ingredients: empty })
      .expect(200);
    const id = await started();
    const refused = await server.http.post(`/api/makings/${id}/end`).send(ending()).expect(422);
    expect(JSON.stringify(refused.body)).toContain('the pantry lacks');
    expect((await eventsOf(id)).state).toBe('open');
  });

  it('can be put away, and is not made then', async () => {
    const id = await started();
    await server.http.post(`/api/makings/${id}/put-away`).expect(200);
    await server.http.post(`/api/makings/${id}/end`).send(ending()).expect(409);
    expect((await file()).batches).toEqual([]);
  });

  it('refuses what is no event, in words and with its place', async () => {
    const id = await started();
    const { body } = await server.http
      .post(`/api/makings/${id}/events`)
      .send({ events: [{ id: 'x', at: 'yesterday', kind: 'stage', stage: 1 }] })
      .expect(422);
    expect(JSON.stringify(body)).toContain('events');
    await server.http.get('/api/makings/nobody/events').expect(404);
  });

  it('comes back from the season file with all that happened', async () => {
    const id = await started();
    await add(id, happened({ kind: 'stage', stage: 2 }));
    const stored = await file();
    await server.http.post('/api/season-file').send(stored).expect(200);
    expect((await file()).makings).toEqual(stored.makings);
  });
});

describe('something else that went in', () => {
  it('is on the label of what is handed over, and stops an order that rules it out', async () => {
    const stored = await file();
    const butter = stored.ingredients.find(({ id }) => id === 'unsalted-butter');
    const mustard = { ...butter, id: 'mustard-oil', name: 'Mustard oil', contains: ['mustard'], declaration: { labelName: 'mustard oil' } }; // prettier-ignore
    const orders = stored.orders.map((order) => ({ ...order, exclusions: [...order.exclusions, 'mustard'] }));
    await server.http
      .post('/api/season-file')
      .send({ ...stored, ingredients: [...stored.ingredients, mustard], orders })
      .expect(200);
    const runs = (await server.http.get('/api/labels').expect(200)).body as LabelRunState[];
    const labelsWithMustard = async () => {
      const boxes = new Set<string>();
      for (const { boxId, handOver, without } of runs) {
        const { body } = await server.http
          .get(`/api/boxes/${boxId}/label`)
          .query({ handOver, without: without.join(',') });
        if (
          JSON.stringify((body as SetLabel).blocks)
            .toLowerCase()
            .includes('mustard')
        )
          boxes.add(boxId);
      }
      return [...boxes];
    };
    const codes = async () => {
      const { body } = await server.http.get('/api/plan/findings').expect(200);
      return (body as FindingPage).items.map(({ code }) => code);
    };
    expect(await labelsWithMustard()).toEqual([]);
    expect(await codes()).not.toContain('exclusion-broken-as-made');
    const id = await started('maple-pecan-fudge');
    const { lines } = stored.recipes.find((each) => each.id === 'maple-pecan-fudge') ?? { lines: [] };
    const line = lines.findIndex(({ uses }) => uses.id === 'unsalted-butter');
    await add(id, happened({ kind: 'swapped', line, withId: 'mustard-oil', ratio: 1 }));
    await endOf(id);
    expect(await labelsWithMustard()).toContain('longest-night');
    expect(await codes()).toContain('exclusion-broken-as-made');
  });
});

describe('practice', () => {
  it('is kept, and touches nothing else', async () => {
    const before = await file();
    const practice = { drill: 'cook', about: 'Sesame toffee', score: 82, verdict: 'Off the heat 2 K late.' };
    await server.http.post('/api/practices').send(practice).expect(201);
    const { body } = await server.http.get('/api/practices').expect(200);
    expect(body).toMatchObject([practice]);
    expect({ ...(await file()), practices: [] }).toEqual({ ...before, practices: [] });
  });
});

describe('the line to the devices', () => {
  const open = (headers: Record<string, string> = {}, at = port) =>
    new WebSocket(`ws://127.0.0.1:${String(at)}/api/devices`, { headers });
  const opened = (line: WebSocket) =>
    new Promise<'open' | 'refused'>((resolve) => {
      line.once('open', () => {
        resolve('open');
      });
      line.once('error', () => {
        resolve('refused');
      });
    });
  /** The next messages of a line that are looked for. */
  const heard = (line: WebSocket, wanted: number) =>
    new Promise<DeviceMessage[]>((resolve) => {
      const messages: DeviceMessage[] = [];
      let rest: string | null = '';
      line.on('message', (data) => {
        const read = readDeviceLines(rest, (data as Buffer).toString());
        ({ rest } = read);
        messages.push(...read.messages);
        if (messages.length >= wanted) resolve(messages);
      });
    });

  it('carries what the simulated probe reads of a pot on the heat', async () => {
    const line = open();
    expect(await opened(line)).toBe('open');
    const messages = heard(line, 12);
    await server.http
      .post('/api/devices/simulated')
      .send({
        what: 'on the heat',
        makingId: 'm',
        contents: { water: 60, sugars: 300, fat: 100, others: 5 },
        watts: 900,
        waterBoils: 95,
        celsius: 21,
        offsetKelvin: 0,
        speed: 20,
      })
      .expect(204);
    const readings = await messages;
    expect(new Set(readings.map(({ device }) => device))).toEqual(new Set(['probe']));
    await server.http.post('/api/devices/simulated').send({ what: 'off the heat' }).expect(204);
    line.close();
  });

  it('passes on what a bridge to a real device sends, and no nonsense', async () => {
    const [page, bridge] = [open(), open()];
    await Promise.all([opened(page), opened(bridge)]);
    const message: DeviceMessage = { device: 'scale', at: '2026-11-25T18:00:00.000Z', grams: 431.2, stable: true };
    const messages = heard(page, 1);
    bridge.send('nonsense\n{"device":"toaster"}\n');
    bridge.send(writeDeviceLine(message));
    expect(await messages).toEqual([message]);
    page.close();
    bridge.close();
  });

  it('tells a page that comes later what stands on the scale and what the room is like', async () => {
    await server.http.post('/api/devices/simulated').send({ what: 'on the scale', grams: 300 }).expect(204);
    await server.http.post('/api/devices/simulated').send({ what: 'room', celsius: 22, humidity: 48 }).expect(204);
    const page = open();
    const messages = await heard(page, 2);
    expect(messages).toEqual([
      expect.objectContaining({ device: 'scale', grams: 300 }),
      expect.objectContaining({ device: 'hygrometer', celsius: 22, humidity: 48 }),
    ]);
    page.close();
  });

  it('opens for this kitchen’s own pages only', async () => {
    expect(await opened(open({ origin: 'https://elsewhere.example' }))).toBe('refused');
    expect(await opened(open({ host: 'elsewhere.example' }))).toBe('refused');
    expect(await opened(open({ origin: `http://127.0.0.1:${String(port)}` }))).toBe('open');
  });

  it('opens for nobody who has not signed in, where the kitchen is locked', async () => {
    const locked = await openServer({ locked: true });
    await locked.app.listen(0, '127.0.0.1');
    const { port: at } = locked.app.getHttpServer().address() as AddressInfo;
    expect(await opened(open({}, at))).toBe('refused');
    const signedIn = await locked.http
      .post('/api/door/sign-in')
      .send({ passphrase: PASSPHRASE, name: 'Tablet' })
      .expect(204);
    const cookie = String(signedIn.get('set-cookie')?.[0]).split(';')[0] ?? '';
    expect(await opened(open({ cookie }, at))).toBe('open');
    await locked.close();
  });
});
