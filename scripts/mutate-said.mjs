// Says each fault that no test found at once, so that a run that is stopped has not run for nothing.
// Read by the tool that puts faults in: see mutate.mjs.
import { relative } from 'node:path';
import { PluginKind, declareClassPlugin } from '@stryker-mutator/api/plugin';

class Said {
  tested = 0;
  unfound = 0;

  onMutantTested({ fileName, location, replacement, status }) {
    if (status === 'Ignored') return;
    this.tested++;
    if (status !== 'Survived' && status !== 'NoCoverage') return;
    this.unfound++;
    const where = `${relative(process.cwd(), fileName)}:${location.start.line}:${location.start.column}`;
    const text = replacement.replace(/\s+/g, ' ').slice(0, 90);
    process.stdout.write(`${this.unfound} of ${this.tested} not found: ${where} -> ${text}\n`);
  }
}

export const strykerPlugins = [declareClassPlugin(PluginKind.Reporter, 'said', Said)];
