import { describe, expect, it } from '@jest/globals';
import { resolve } from 'node:path';
import { readConfig } from './config.js';

describe('the set-up', () => {
  it('is this computer only, port 4317, unless told otherwise', () => {
    expect(readConfig({})).toEqual({
      port: 4317,
      host: '127.0.0.1',
      allowedHosts: [],
      isLocked: false,
      tls: 'off',
      asItIs: false,
      dataDir: resolve('data'),
      pagesDir: resolve('web/dist'),
      seedFile: null,
      exampleFile: null,
      planWork: 60,
      today: null,
    });
  });

  it('takes each variable', () => {
    expect(
      readConfig({
        PORT: '8080',
        HOST: '0.0.0.0',
        ALLOWED_HOSTS: 'kitchen.local, 192.0.2.7 ,',
        DATA_DIR: '/srv/pantry',
        PAGES_DIR: '/srv/pages',
        SEED_FILE: '/srv/demo.json',
        EXAMPLE_FILE: '/srv/example.json',
        TODAY: '2026-12-05',
        PLAN_WORK: '30',
        DATABASE_AS_IT_IS: 'yes',
      }),
    ).toEqual({
      port: 8080,
      host: '0.0.0.0',
      allowedHosts: ['kitchen.local', '192.0.2.7'],
      isLocked: true,
      tls: 'own',
      asItIs: true,
      dataDir: '/srv/pantry',
      pagesDir: '/srv/pages',
      seedFile: '/srv/demo.json',
      exampleFile: '/srv/example.json',
      planWork: 30,
      today: '2026-12-05',
    });
  });

  it.each(['0', '-3', 'much', '5000'])('refuses %s as the work of a plan by name', (PLAN_WORK) => {
    expect(() => readConfig({ PLAN_WORK })).toThrow(
      `PLAN_WORK must be a number above 0 and up to 3600, not "${PLAN_WORK}".`,
    );
  });

  it.each(['http', '70000', '-1', '80.5'])('refuses the port %s by name', (PORT) => {
    expect(() => readConfig({ PORT })).toThrow(`PORT must be a whole number up to 65535, not "${PORT}".`);
  });

  it.each([
    [{ HOST: '0.0.0.0' }, true, 'own'],
    [{ HOST: '0.0.0.0', TLS: 'off' }, true, 'off'],
    [{ HOST: '::1' }, false, 'off'],
    [{ HOST: '127.0.0.1', ALLOWED_HOSTS: 'kitchen.example' }, true, 'off'],
    [{ TLS_CERT: '/c.pem', TLS_KEY: '/k.pem' }, false, { cert: '/c.pem', key: '/k.pem' }],
  ])('%j: everybody signs in: %s, TLS: %j', (environment, isLocked, tls) => {
    expect(readConfig(environment)).toMatchObject({ isLocked, tls });
  });

  it('refuses half a certificate and a word that is none', () => {
    expect(() => readConfig({ TLS_CERT: '/c.pem' })).toThrow('TLS_CERT and TLS_KEY belong together');
    expect(() => readConfig({ TLS: 'maybe' })).toThrow('TLS must be own or off, not "maybe"');
  });

  it('refuses a day that is none', () => {
    expect(() => readConfig({ TODAY: '2026-02-30' })).toThrow('TODAY must be a day such as 2026-12-05');
  });
});
