// npm run icons: of the two thousand icons of the font package those that the page uses, as a font of their own with its style
// sheet, kept in web/src/icons. Run it after an icon was put into a template; a test says so where it was forgotten.
import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import subsetFont from 'subset-font';
import { at } from './process.mjs';

const PACKAGE = 'node_modules/bootstrap-icons/font';
const SHEET = readFileSync(at(PACKAGE, 'bootstrap-icons.css'), 'utf8');

/** Names of icons in the sources of the page. */
export function iconsUsed() {
  const sources = readdirSync(at('web/src/app'), { recursive: true, withFileTypes: true }).filter(
    (entry) => entry.isFile() && /(?<!\.spec)\.(ts|html)$/.test(entry.name),
  );
  const names = sources.flatMap((entry) => [
    ...readFileSync(`${entry.parentPath}/${entry.name}`, 'utf8').matchAll(/\bbi-([a-z0-9-]+)/g),
  ]);
  return [...new Set(names.map(([, name]) => name))].sort();
}

/** Names of icons that the kept style sheet has. */
export const iconsKept = () =>
  [...readFileSync(at('web/src/icons/icons.css'), 'utf8').matchAll(/\.bi-([a-z0-9-]+)::before/g)]
    .map(([, name]) => name)
    .sort();

async function keepIcons() {
  const names = iconsUsed();
  const codes = new Map(
    [...SHEET.matchAll(/\.bi-([a-z0-9-]+)::before \{ content: "\\([0-9a-f]+)"/g)].map(([, name, code]) => [
      name,
      code,
    ]),
  );
  const missing = names.filter((name) => !codes.has(name));
  if (missing.length > 0) throw new Error(`The font has no icon of the name ${missing.join(', ')}.`);
  const text = names.map((name) => String.fromCodePoint(Number.parseInt(codes.get(name), 16))).join('');
  const font = await subsetFont(readFileSync(at(PACKAGE, 'fonts/bootstrap-icons.woff2')), text, {
    targetFormat: 'woff2',
  });
  const [licence] = SHEET.split('@font-face');
  const rules = names.map((name) => `.bi-${name}::before {\n  content: '\\${codes.get(name)}';\n}\n`);
  mkdirSync(at('web/src/icons'), { recursive: true });
  writeFileSync(at('web/src/icons/icons.woff2'), font);
  writeFileSync(
    at('web/src/icons/icons.css'),
    `${licence.trim()}

/* Made by npm run icons: the icons that the page uses. */
@font-face {
  font-display: block;
  font-family: 'icons';
  src: url('./icons.woff2') format('woff2');
}

.bi::before {
  display: inline-block;
  font-family: icons !important;
  font-style: normal;
  font-weight: normal !important;
  font-variant: normal;
  text-transform: none;
  line-height: 1;
  vertical-align: -0.125em;
}

${rules.join('\n')}`,
  );
  process.stdout.write(`${names.length} icons, ${(font.length / 1000).toFixed(1)} kB\n`);
}

if (process.argv[1] === at('scripts/icons.mjs')) await keepIcons();
