import { mkdtempSync, rmSync, statSync } from 'node:fs';
import { request } from 'node:https';
import type { IncomingHttpHeaders } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { StartProblem } from '../database/start-problem.js';
import { start } from '../start.js';
import { testCertificate } from '../testing/test-certificate.js';
import { keepSecret, secretOf } from './passphrase.js';
import { readReach } from './reach.js';

describe('a Knapsack with a certificate of its user', () => {
  let folder: string;
  beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'knapsack-test-'))));
  afterEach(() => rmSync(folder, { recursive: true, force: true }));

  const options = (environment: NodeJS.ProcessEnv) => ({
    ...{ dataFolder: join(folder, 'data'), port: 0, webFolder: folder, demoFolder: folder, withDemo: false },
    reach: readReach(environment),
  });

  it('speaks https, and gives its cookie to https alone', async () => {
    const { KNAPSACK_TLS_CERT, KNAPSACK_TLS_KEY } = testCertificate(folder);
    keepSecret(join(folder, 'data'), await secretOf('four words of sea'));
    expect(statSync(join(folder, 'data')).mode & 0o777).toBe(0o700);
    const running = await start(options({ KNAPSACK_TLS_CERT, KNAPSACK_TLS_KEY }));
    expect(running.address).toMatch(/^https:\/\/127\.0\.0\.1:\d+$/);
    const body = 'passphrase=four+words+of+sea&device=phone&next=%2F';
    const headers = await new Promise<IncomingHttpHeaders>((done, failed) => {
      request(
        `${running.address}/login`,
        {
          method: 'POST',
          // Nobody has vouched for this certificate.
          rejectUnauthorized: false,
          headers: {
            Origin: running.address,
            'Content-Type': 'application/x-www-form-urlencoded',
            'Content-Length': body.length,
          },
        },
        (response) => {
          response.resume();
          done(response.headers);
        },
      )
        .once('error', failed)
        .end(body);
    });
    expect(headers['set-cookie']![0]).toContain('; Secure');
    await running.close();
  });

  it('does not start without a passphrase, nor on an address that is not its own', async () => {
    await expectAsync(start(options({ KNAPSACK_LISTEN: 'lan' }))).toBeRejectedWithError(
      StartProblem,
      /none is set/,
    );
    keepSecret(join(folder, 'data'), await secretOf('four words of sea'));
    await expectAsync(start(options({ KNAPSACK_LISTEN: '192.0.2.77' }))).toBeRejectedWithError(
      StartProblem,
      /is no address of this machine/,
    );
  });
});
