// Words that the product does not use, wherever a person reads: strings of the code, templates and the README. Why each is out, and
// what is said instead: the table in docs/words.md. A word may stand in code, in the papers of docs and in tests.
import { readdirSync, readFileSync } from 'node:fs';
import { readFiles, textsOf } from '../scripts/texts.mjs';

const ROOT = new URL('..', import.meta.url);
const OUT = [
  /\bdraws? (finish|of \d)|on \d+ draws|of \d+ draws/i,
  /\bon transmit\b|load is rated/i,
  /lithium iron|lithium[- ]ion|nickel metal hydride|(AGM|gel|flooded) lead\b(?!-acid)/i,
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
  /worker (died|stopped)|too dear|\b(be|is|are) joined\b|Look (on|among)\b|\blook for a\b/i,
  /DIGITALVOICE|\bPKT\b|\bDYNAMIC\b/,
];

/** What is read as a book. What was decided keeps the words of its day. */
const BOOKS = [
  'README.md',
  'CONTRIBUTING.md',
  ...markdownIn('docs').filter((file) => file !== 'docs/words.md'),
  ...markdownIn('docs/guide'),
];

function markdownIn(folder) {
  return readdirSync(new URL(folder, ROOT))
    .filter((name) => name.endsWith('.md'))
    .map((name) => `${folder}/${name}`);
}

const rowsOf = (file) =>
  readFileSync(new URL(file, ROOT), 'utf8')
    .replace(/`[^`]*`/g, '')
    .split('\n')
    .map((text, index) => ({ file, line: index + 1, text }));

describe('the words', () => {
  const texts = [...readFiles().flatMap((file) => textsOf(file)), ...BOOKS.flatMap(rowsOf)];

  it('that are out stand nowhere that a person reads', () => {
    const found = texts.flatMap(({ file, line, text }) =>
      OUT.filter((word) => word.test(text)).map(
        (word) => `${file}:${line} ${word.exec(text)[0]}: ${text.slice(0, 90)}`,
      ),
    );
    expect(found).toEqual([]);
  });

  it('are found in templates, attributes, bindings and strings', () => {
    const of = (file, content) => textsOf(file, content).map(({ text }) => text);
    expect(of('a.html', `<p title="Seen">A {{ b }} <i [label]="c ? 'Yes, it is' : 'No'"></i></p>`)).toEqual([
      'Seen',
      'A …',
      'Yes, it is',
      'No',
    ]);
    expect(of('a.ts', "const a = 'two words', key = 'key', b = `of ${a} them`;")).toEqual([
      'two words',
      'of … them',
    ]);
    expect(texts.length).toBeGreaterThan(2000);
  });
});
