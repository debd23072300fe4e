// Everything that a person reads, as a text by room: `npm run texts [room]`, for whoever reads the product aloud.
// Templates and code keep their words where they stand; docs/words.spec.mjs reads the same texts for words that are out.
import { parseTemplate, tmplAstVisitAll, TmplAstRecursiveVisitor } from '@angular/compiler';
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { pathToFileURL } from 'node:url';
import ts from 'typescript';

const ROOT = new URL('..', import.meta.url);
/** Attributes whose value is read: seen, or heard. */
const READ =
  /^(label|title|aria-label|placeholder|alt|heading|note|hint|unit|what|ngbTooltip|none|empty|summary)$/;
/** What begins a file that is not the product's: tests and what only they use. */
const NOT_READ = /\.(spec|e2e)\.ts$|\.d\.ts$|\/testing\/|\/verify\/|^e2e\//;
/** Words in code that are keys, paths or patterns, not texts. */
const KEY =
  /^[\w.:/#@*-]*$|^\s*[<>{}()[\];,|&]|^(\.|\/|https?:)|^[a-z-]+( [a-z-]+)*:[^ ]|^\w+\(|^(SELECT|CREATE|INSERT|UPDATE|DELETE|ALTER|DROP|PRAGMA|BEGIN|VACUUM)\b/;

/** @typedef {{ file: string, line: number, text: string }} Text */

/** @returns {Text[]} the texts of a source file of the product, in its order. */
export function textsOf(file, content = readFileSync(new URL(file, ROOT), 'utf8')) {
  if (file.endsWith('.html')) return textsOfTemplate(file, content, 0);
  const source = ts.createSourceFile(file, content, ts.ScriptTarget.Latest, true);
  const found = [];
  const lineOf = (node) => source.getLineAndCharacterOfPosition(node.getStart()).line;
  const add = (node, text) => {
    if (isText(text)) found.push({ file, line: lineOf(node) + 1, text: squeeze(text) });
  };
  const visit = (node) => {
    if (ts.isImportDeclaration(node) || ts.isExportDeclaration(node)) return;
    const { parent } = node;
    if (ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)) {
      const name = parent && ts.isPropertyAssignment(parent) ? parent.name.getText() : '';
      if (name === 'template') found.push(...textsOfTemplate(file, node.text, lineOf(node)));
      else if (!/^(selector|styles|host)$/.test(name)) add(node, node.text);
    } else if (ts.isTemplateExpression(node)) {
      add(node, node.head.text + node.templateSpans.map(({ literal }) => `…${literal.text}`).join(''));
      node.templateSpans.forEach(({ expression }) => visit(expression));
      return;
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}

/** @returns {Text[]} */
function textsOfTemplate(file, template, firstLine) {
  const { nodes } = parseTemplate(template, file, { preserveWhitespaces: false });
  const found = [];
  const add = (span, text) => {
    const words = squeeze(text);
    if (/\p{L}/u.test(words)) found.push({ file, line: firstLine + span.start.line + 1, text: words });
  };
  const spoken = (span) => {
    for (const [, text] of span.toString().matchAll(/'((?:[^'\\]|\\.)*)'/g))
      if (isText(text) || /^\p{Lu}\p{L}+$/u.test(text)) add(span, text);
  };
  class Reader extends TmplAstRecursiveVisitor {
    visitText({ value, sourceSpan }) {
      add(sourceSpan, value);
    }
    visitBoundText({ sourceSpan }) {
      add(
        sourceSpan,
        sourceSpan
          .toString()
          .replace(/\{\{[^]*?\}\}/g, (bound) =>
            /'[^']*\s[^']*'/.test(bound) ? `{${bound.slice(2, -2).trim()}}` : '…',
          ),
      );
    }
    visitTextAttribute({ name, value, sourceSpan }) {
      if (READ.test(name)) add(sourceSpan, value);
    }
    visitBoundAttribute({ sourceSpan }) {
      spoken(sourceSpan);
    }
  }
  tmplAstVisitAll(new Reader(), nodes);
  return found;
}

const squeeze = (text) => text.replace(/\s+/g, ' ').trim();
const isText = (text) => /\s/.test(text.trim()) && /\p{L}{2}/u.test(text) && !KEY.test(text);

/** Files whose strings may be read by a person. */
export const readFiles = () =>
  execFileSync('git', ['ls-files', 'core/src', 'contract/src', 'server/src', 'cli/src', 'web/src', 'demo'], {
    cwd: ROOT,
    encoding: 'utf8',
  })
    .trim()
    .split('\n')
    .filter((file) => /\.(ts|html)$/.test(file) && !NOT_READ.test(file));

/** The room, or the part of the house, that a file belongs to. */
export const roomOf = (file) =>
  /^(?:web\/src\/(?:app\/)?([\w-]+)|(\w+)\/src\/([\w-]+)|(\w+))/
    .exec(file)
    .slice(1)
    .filter(Boolean)
    .join('/')
    .replace(/\.ts$/, '');

if (process.argv[1] && import.meta.url === pathToFileURL(process.argv[1]).href) {
  const asked = process.argv[2];
  const rooms = new Map();
  for (const file of readFiles()) {
    const room = roomOf(file);
    if (asked && !room.startsWith(asked)) continue;
    rooms.set(room, [...(rooms.get(room) ?? []), file]);
  }
  for (const [room, files] of rooms) {
    const parts = files.map((file) => [file, textsOf(file)]).filter(([, texts]) => texts.length > 0);
    if (parts.length === 0) continue;
    process.stdout.write(`\n# ${room}\n`);
    for (const [file, texts] of parts) {
      process.stdout.write(`\n## ${file}\n\n`);
      for (const { line, text } of texts) process.stdout.write(`${String(line).padStart(4)}  ${text}\n`);
    }
  }
}
