import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect, saved, test, verdict } from './knapsack.js';

const ROOT = dirname(dirname(fileURLToPath(import.meta.url)));
const MAX_UNPACKED_MB = 80;
const MAX_RESIDENT_MB = 200;

/** The archive that `npm run release` made, unpacked where nothing of this clone is in reach. */
class Unpacked {
  readonly folder = mkdtempSync(join(tmpdir(), 'knapsack-release-'));
  readonly data = mkdtempSync(join(tmpdir(), 'knapsack-release-data-'));
  readonly program: string;
  private child: ChildProcess | null = null;

  constructor(private readonly node: string) {
    const archive = readdirSync(join(ROOT, 'dist')).find((name) => /^knapsack-.*\.tgz$/.test(name))!;
    spawnSync('tar', ['-xzf', join(ROOT, 'dist', archive), '-C', this.folder]);
    this.program = join(this.folder, archive.replace('.tgz', ''), 'knapsack.mjs');
  }

  private get options() {
    // No registry, no packages from elsewhere: what runs is what was unpacked.
    const env = {
      HOME: this.data,
      KNAPSACK_DATA: this.data,
      PORT: '0',
      npm_config_registry: 'http://127.0.0.1:9',
    };
    return { cwd: this.folder, env };
  }

  tool(...args: string[]) {
    return spawnSync(this.node, [this.program, ...args], { ...this.options, encoding: 'utf8' });
  }

  /** Starts it as a person would. @returns its address, once it has said it */
  async serve(...args: string[]): Promise<string> {
    const child = spawn(this.node, [this.program, ...args], { ...this.options, stdio: 'pipe' });
    this.child = child;
    let said = '';
    return new Promise((resolve, reject) => {
      for (const stream of [child.stdout, child.stderr]) {
        stream.on('data', (piece: Buffer) => {
          said += piece.toString();
          const address = /http:\/\/127\.0\.0\.1:\d+/.exec(said)?.[0];
          if (address) resolve(address);
        });
      }
      child.once('exit', (code) => reject(new Error(`It ended with ${code}: ${said}`)));
    });
  }

  residentMb(): number {
    return Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${this.child!.pid}/status`, 'utf8'))![1]) / 1024;
  }

  async stop(): Promise<void> {
    const child = this.child!;
    const ended = new Promise((done) => child.once('exit', done));
    child.kill('SIGTERM');
    await ended;
  }

  end(): void {
    for (const folder of [this.folder, this.data]) rmSync(folder, { recursive: true, force: true });
  }
}

test('the archive runs where it is unpacked, does the main job and keeps it', async ({ page }) => {
  const node = process.env['KNAPSACK_RELEASE_NODE'] ?? process.execPath;
  const unpacked = new Unpacked(node);
  try {
    const size = spawnSync('du', ['-sm', unpacked.folder], { encoding: 'utf8' }).stdout;
    expect(Number(size.split('\t')[0])).toBeLessThanOrEqual(MAX_UNPACKED_MB);

    const forecast = unpacked.tool(
      'forecast',
      join(dirname(unpacked.program), 'demo/trips/winter-bothy.json'),
    );
    expect(forecast.stderr).toBe('');
    expect(forecast.stdout).toContain('Winter bothy');
    expect(unpacked.tool('verify').stdout).toContain('sun.json');
    expect(unpacked.tool('--help').stdout).toMatch(/node knapsack\.mjs demo[\s\S]*forecast/);

    const demo = await unpacked.serve('demo');
    await page.goto(demo);
    await page.getByRole('link', { name: 'Gannet Rock light' }).click();
    await expect(verdict(page)).toContainText('lasts');
    expect(unpacked.residentMb()).toBeLessThan(MAX_RESIDENT_MB);
    await unpacked.stop();

    const own = await unpacked.serve();
    await page.goto(own);
    await page.getByRole('link', { name: 'Just a quick sum' }).click();
    await page.getByLabel('Capacity', { exact: true }).fill('6');
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'Make it a trip' }).click();
    await expect(verdict(page)).toContainText('too soon');
    await saved(page);
    const address = new URL(page.url()).pathname;
    await unpacked.stop();
    await page.goto(`${await unpacked.serve()}${address}`);
    await expect(verdict(page)).toContainText('too soon');
    await unpacked.stop();
  } finally {
    unpacked.end();
  }
});
