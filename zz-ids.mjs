import { Instrumenter } from '@stryker-mutator/instrumenter';
import { AngularIgnorer } from './node_modules/@stryker-mutator/instrumenter/dist/src/frameworks/angular-ignorer.js';
import { readdirSync, readFileSync } from 'node:fs';
import { generator } from './scripts/generator.mjs';
const folder = 'web/src/app', only = new RegExp(process.argv[2]);
const files = readdirSync(folder, { recursive: true }).filter((file) => /^(?!.*\.spec\.ts$)(?!(.*\/)?testing\/).*\.ts$/.test(file) && only.test(file)).map((f) => `${folder}/${f}`);
const { mutants } = await new Instrumenter({ debug() {}, info() {}, warn() {}, isDebugEnabled: () => false }).instrument(files.map((name) => ({ name, mutate: true, content: readFileSync(name, 'utf8') })), { excludedMutations: ['StringLiteral'], ignorers: [new AngularIgnorer()], plugins: null });
const out = new Map(readFileSync(process.argv[3], 'utf8').split('\n').map((l) => /^fault (\d+): (\w+)/.exec(l)).filter(Boolean).map(([, id, o]) => [id, o]));
const by = {}; console.log(mutants.length, mutants.filter((m) => m.status !== 'Ignored').length, 'mutants');
for (const m of mutants.filter((m) => m.status !== 'Ignored')) { const o = out.get(String(m.id)); if (!o || o === 'static') continue; const f = m.fileName.replace('web/src/app/', ''); (by[f] ??= [0, 0])[o === 'found' ? 0 : 1]++; if (o !== 'found') { const lines = readFileSync(m.fileName, 'utf8').split('\n'); console.log(`${f}:${m.location.start.line + 1} ${o} ${lines[m.location.start.line].slice(m.location.start.column, m.location.end.line === m.location.start.line ? m.location.end.column : undefined).trim().slice(0, 60)} -> ${m.replacement.replace(/\s+/g, ' ').slice(0, 60)}`); } }
let a = 0, b = 0; for (const [f, [x, y]] of Object.entries(by)) { a += x; b += y; console.log(f.padEnd(34), x, 'of', x + y); } console.log('all', a, 'of', a + b, (100 * a / (a + b)).toFixed(0) + ' %');
