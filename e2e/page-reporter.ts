import { readFileSync } from 'node:fs';
import type { Reporter, TestCase, TestResult } from '@playwright/test/reporter';

const MOST_LETTERS = 6000;

/** Tells what stood on the page where a test failed: whoever reads the output elsewhere has no folder to look into. */
export default class PageReporter implements Reporter {
  onTestEnd({ title }: TestCase, { status, attachments }: TestResult): void {
    if (status === 'passed' || status === 'skipped') return;
    for (const { name, path, body } of attachments) {
      if (name !== 'error-context') continue;
      const page = body?.toString() ?? (path ? readFileSync(path, 'utf8') : '');
      console.log(`\n---- The page where “${title}” failed:\n${page.slice(0, MOST_LETTERS)}\n----`);
    }
  }
}
