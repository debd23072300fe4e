// Writes the table "kit by rule" of docs/rules.md from the sample kits, as the rules find them now.
import { readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { RULES } from '../core/dist/index.js';
import { harnessReport } from '../contract/dist/harness/harness-report.js';
import { SAMPLE_KITS } from '../contract/dist/testing/sample-kits.js';

const FILE = join(dirname(dirname(fileURLToPath(import.meta.url))), 'docs/rules.md');
const BEGIN = '<!-- kits: written by scripts/sample-kits.mjs -->';
const END = '<!-- end of kits -->';

/** A line for each kit: what stops, what warns, what is noted. */
export function kitTable() {
  const rows = SAMPLE_KITS.map(({ name, trip, gear }) => {
    const { checks } = harnessReport(trip, gear);
    const of = (severity) => {
      const titles = checks
        .filter((check) => check.severity === severity)
        .map(({ rule }) => RULES[rule].title);
      return [...new Set(titles)].join('; ');
    };
    return `| ${name} | ${of('stop')} | ${of('look')} | ${of('note')} |`;
  });
  return ['| kit | stop | warning | note |', '| --- | --- | --- | --- |', ...rows].join('\n');
}

/** The document with the table as it is now. */
export function withTable(text) {
  const [from, to] = [text.indexOf(BEGIN), text.indexOf(END)];
  if (from < 0 || to < from)
    throw new Error(`docs/rules.md has no place for the table between ${BEGIN} and ${END}.`);
  return `${text.slice(0, from + BEGIN.length)}\n\n${kitTable()}\n\n${text.slice(to)}`;
}

if (process.argv[1] && import.meta.url === pathToFileURL(process.argv[1]).href) {
  writeFileSync(FILE, withTable(readFileSync(FILE, 'utf8')));
}
