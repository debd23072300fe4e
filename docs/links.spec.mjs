// Every relative link of the documents leads somewhere, and every picture is shown somewhere.
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

const ROOT = dirname(dirname(fileURLToPath(import.meta.url)));
const SKIPPED = new Set(['node_modules', 'dist', '.git', 'test-results']);

function documents(folder) {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) return SKIPPED.has(entry.name) ? [] : documents(path);
    return entry.name.endsWith('.md') ? [path] : [];
  });
}

const linksOf = (file) =>
  [...readFileSync(file, 'utf8').matchAll(/\]\(([^)\s]+)\)/g)]
    .map(([, target]) => target.split('#')[0])
    .filter((target) => target !== '' && !/^[a-z]+:/.test(target));

describe('the documents', () => {
  it('link only to what is there', () => {
    const files = documents(ROOT);
    expect(files.length).toBeGreaterThan(5);
    for (const file of files) {
      for (const link of linksOf(file)) {
        expect(existsSync(join(dirname(file), link)))
          .withContext(`${link} in ${file}`)
          .toBeTrue();
      }
    }
  });

  it('show every picture, fewer than 20 of them', () => {
    const shown = linksOf(join(ROOT, 'README.md'));
    const pictures = readdirSync(join(ROOT, 'docs/screenshots'));
    expect(pictures.length).toBeLessThan(20);
    for (const picture of pictures) expect(shown).toContain(`docs/screenshots/${picture}`);
  });
});
