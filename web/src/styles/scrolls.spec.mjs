import { readdirSync, readFileSync } from 'node:fs';

const FOLDER = new URL('./', import.meta.url);

describe('what scrolls by itself', () => {
  // Words that are only heard are placed absolutely: one that stands past the edge would push the page wide.
  it('holds all that is placed in it: where it is said to scroll, it has a position already', () => {
    const before = readdirSync(FOLDER)
      .filter((name) => name.endsWith('.scss'))
      .map((name) => readFileSync(new URL(name, FOLDER), 'utf8'))
      .flatMap((text) => [...text.matchAll(/[^{}]*overflow(-x)?: (auto|scroll);/g)].map(([said]) => said));
    expect(before.length).toBeGreaterThan(6);
    for (const said of before) expect(said).toMatch(/position: (relative|absolute|fixed|sticky)/);
  });
});
