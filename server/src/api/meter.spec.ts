import { once } from 'node:events';
import { request as httpRequest } from 'node:http';
import type { AddressInfo } from 'node:net';
import type { ProblemDocument } from '@knapsack/contract';
import { readMeterLine } from '@knapsack/core';
import { createApp } from './app.js';
import { seed } from '../documents/seed.js';
import { DEMO_FOLDER, runningApp, type RunningApp } from '../testing/running-app.js';

describe('the simulated meter', () => {
  let app: RunningApp;
  beforeAll(async () => {
    app = await runningApp();
    await seed(app.stores, DEMO_FOLDER);
  });
  afterAll(() => app.close());

  it('streams lines of its serial format until one hangs up', async () => {
    const server = createApp(app).listen(0, '127.0.0.1');
    await once(server, 'listening');
    const { port } = server.address() as AddressInfo;
    const lines = await new Promise<string[]>((done, failed) => {
      const path = '/api/meter?radio=curlew-10&power=10&script=keyDown&rate=10&faster=10';
      const asked = httpRequest({ port, host: '127.0.0.1', path }, (response) => {
        expect(response.headers['content-type']).toContain('text/event-stream');
        let text = '';
        response.on('data', (chunk: Buffer) => {
          text += chunk.toString();
          const found = text.split('\n\n').filter((line) => line.startsWith('data: '));
          if (found.length < 20) return;
          asked.destroy();
          done(found.slice(0, 20));
        });
      });
      asked.on('error', failed);
      asked.end();
    });
    server.close();
    const readings = lines.map((line) => readMeterLine(line.slice('data: '.length))!);
    expect(readings.map(({ timeMs }) => timeMs)).toEqual(
      Array.from({ length: 20 }, (_, index) => index * 100),
    );
    for (const { amps, volts } of readings) {
      expect(Math.abs(amps - 1.922)).toBeLessThan(0.03);
      expect(Math.abs(volts - 13.085)).toBeLessThan(0.02);
    }
  });

  it('says what it cannot do', async () => {
    const ask = async (query: string, status: number) =>
      ((await app.api.get(`/api/meter?${query}`).expect(status)).body as ProblemDocument).detail;
    expect(await ask('radio=nobody&script=voice', 404)).toContain('nothing of that name');
    expect(await ask('radio=lead-long&script=voice', 422)).toContain('neither a radio nor a battery');
    expect(await ask('battery=shale-9&amps=0', 422)).toContain('The discharge limit');
    expect(await ask('radio=curlew-10&script=song', 422)).toContain('receive, keyDown, voice');
    expect(await ask('radio=curlew-10&script=voice&rate=1000', 422)).toContain('times a second');
    expect(await ask('radio=curlew-10&script=voice&power=-1', 422)).toContain('The power must be');
  });
});
