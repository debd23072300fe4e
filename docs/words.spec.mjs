// Words that the product does not use, wherever a person reads: strings of the code, templates and the README. Why each is out, and
// what is said instead: the table in docs/words.md. A word may stand in code, in the papers of docs and in tests.
import { execFileSync } from 'node:child_process';
import { existsSync, readFileSync } from 'node:fs';
import ts from 'typescript';

const ROOT = new URL('..', import.meta.url);
const OUT = [
  /\bdraws? (finish|of \d)|on \d+ draws|of \d+ draws/i,
  /\bon transmit\b|load is rated/i,
  /lithium iron|lithium[- ]ion|nickel metal hydride|(AGM|gel|flooded) lead\b/i,
  /tracking \(MPPT\)|boosting|plain switch/i,
  /receives on\b|the sheet says|listening volume|drops out below|full power above/i,
  /gives (steadily|briefly)|inner resistance|protection opens|input survives|self-use|label truth|really gives/i,
  /\b(the|a|positive|negative|battery’s|radio’s) leads?\b(?!-acid)/,
  /Reckoned with|reckon/i,
  /three (ratings|schools)|rating of the (load|block)/i,
  /nobody has (said|weighed|listened)|asked for\b/i,
  /hangs from|fuse guards|can be wired so|One is none/i,
  /money a Wh|in money/i,
  /\bput away\b|wished[- ]for|wished for/i,
  /Let it work|Read it\b/,
  /put it in|put it on|try on\b/i,
  /propose the stretches|mark the rest\b|\b(a|the|this|chosen) stretch(es)?\b/i,
  /in turn\b|bring (it )?back/i,
  /sun carries|sustains itself|working blindly/i,
  /DIGITALVOICE|\bPKT\b|\bDYNAMIC\b/,
];

const files = execFileSync('git', ['ls-files', '*.ts', '*.html', 'README.md', 'docs/guide/*.md'], {
  cwd: ROOT,
  encoding: 'utf8',
})
  .trim()
  .split('\n')
  .filter(
    (file) =>
      existsSync(new URL(file, ROOT)) && !/\.(spec|e2e)\.ts$|\/testing\/|^e2e\/|\/verify\//.test(file),
  );

/** What a person may read of a file, with the line that it begins on. */
function texts(file) {
  const content = readFileSync(new URL(file, ROOT), 'utf8');
  if (!file.endsWith('.ts')) return [{ line: 1, text: content.replace(/`[^`]*`/g, '') }];
  const source = ts.createSourceFile(file, content, ts.ScriptTarget.Latest, true);
  const found = [];
  const visit = (node) => {
    if (ts.isImportDeclaration(node) || ts.isExportDeclaration(node)) return;
    if (
      ts.isStringLiteral(node) ||
      ts.isNoSubstitutionTemplateLiteral(node) ||
      ts.isTemplateHead(node) ||
      ts.isTemplateMiddleOrTemplateTail(node)
    )
      found.push({ line: source.getLineAndCharacterOfPosition(node.getStart()).line + 1, text: node.text });
    ts.forEachChild(node, visit);
  };
  visit(source);
  // An inline template is read as HTML is; a word alone in quotes is a key, not a text.
  return found.filter(({ text }) => /\s/.test(text));
}

describe('the words', () => {
  it('that are out stand nowhere that a person reads', () => {
    const found = files.flatMap((file) =>
      texts(file).flatMap(({ line, text }) =>
        text
          .split('\n')
          .flatMap((row, index) =>
            OUT.filter((word) => word.test(visible(row))).map(
              (word) => `${file}:${line + index} ${word.exec(visible(row))[0]}: ${row.trim().slice(0, 90)}`,
            ),
          ),
      ),
    );
    expect(found).toEqual([]);
  });
});

/** A row of a template without its bindings, tags' names and attributes that nobody reads. */
function visible(row) {
  return row
    .replace(/\{\{.*?\}\}/g, '…')
    .replace(
      /\((\w|\.)+\)="[^"]*"|\[(?!label|title|attr\.aria-label)[^\]]*\]="[^"]*"|(class|id|data-[a-z]+|routerLink|field)="[^"]*"|@\w+ \(.*|<\/?[a-z-]+/g,
      '',
    );
}
