import { afterEach, expect, it } from '@jest/globals';
import type { PlanSummary } from '@usual-pantry/core/api';
import { openServer, readDemo, type TestServer } from '../testing/server.js';
import { SeasonPlanner } from './season-planner.js';

let server: TestServer;
afterEach(() => server.close());

const plan = async () => (await server.http.get('/api/plan').expect(200)).body as PlanSummary;

it('a season that was planned for this very day is left as it was planned', async () => {
  server = await openServer({ demo: true });
  expect((await plan()).follows).toBe(true);
  const planner = server.app.get(SeasonPlanner);
  await planner.startUnlessFollowed();
  expect(planner.job.state).toBe('idle');
});

it('a season whose plan does not serve any more is planned anew', async () => {
  server = await openServer();
  const { plan: decided, ...demo } = await readDemo();
  await server.http
    .post('/api/season-file')
    .send({ ...demo, plan: decided && { ...decided, batches: decided.batches.slice(1) } })
    .expect(200);
  expect((await plan()).follows).toBe(false);
  const planner = server.app.get(SeasonPlanner);
  await planner.startUnlessFollowed();
  expect(planner.job).toMatchObject({ state: 'running', kind: 'plan' });
  await server.http.delete('/api/plan/job').expect((answer) => {
    expect(answer.status).toBeLessThan(300);
  });
});
