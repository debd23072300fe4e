// The rules' document names every rule, and its table of kits is what the rules find now.
import { readFileSync } from 'node:fs';
import { RULES } from '../core/dist/index.js';
import { withTable } from '../scripts/sample-kits.mjs';

const text = readFileSync(new URL('rules.md', import.meta.url), 'utf8');

describe('the document of the rules', () => {
  it('has a line for every rule, and none for what is no rule', () => {
    const listed = [...text.matchAll(/^\| `(\w+)` \|/gm)].map(([, rule]) => rule);
    expect(listed.sort()).toEqual(Object.keys(RULES).sort());
  });

  it('has the table of the sample kits as they are (node scripts/sample-kits.mjs)', () => {
    const squeezed = (table) => table.replace(/ +/g, ' ').replace(/-{3,}/g, '---');
    expect(squeezed(withTable(text)) === squeezed(text))
      .withContext('run node scripts/sample-kits.mjs and read what changed')
      .toBeTrue();
  });
});
