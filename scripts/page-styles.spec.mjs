// The styles that packages write into the page are those that the server lets in, each by its hash.
import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { at } from './process.mjs';

const FILES = [
  '@ng-bootstrap/ng-bootstrap/fesm2022/ng-bootstrap-ng-bootstrap-modal.mjs',
  '@ng-bootstrap/ng-bootstrap/fesm2022/ng-bootstrap-ng-bootstrap-datepicker.mjs',
  '@angular/cdk/fesm2022/drag-drop.mjs',
];

const letIn = () => {
  const [, list] = /COMPONENT_STYLES[^=]*= \[([^\]]*)\]/.exec(
    readFileSync(at('server/src/api/security-headers.ts'), 'utf8'),
  );
  return [...list.matchAll(/"('sha256-[^"]*')"/g)].map(([, hash]) => hash);
};

const stylesIn = (file) =>
  [...readFileSync(at('node_modules', file), 'utf8').matchAll(/styles: \[("(?:[^"\\]|\\.)*")\]/g)].map(
    ([, text]) => JSON.parse(text),
  );

describe('the styles of packages', () => {
  it('are let in as they stand in the packages, and no others', () => {
    const texts = [...new Set(FILES.flatMap(stylesIn))];
    expect(texts.length).toBeGreaterThan(5);
    const hashes = texts.map((text) => `'sha256-${createHash('sha256').update(text).digest('base64')}'`);
    expect(letIn().sort()).toEqual(hashes.sort());
  });
});
