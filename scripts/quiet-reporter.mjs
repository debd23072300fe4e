// Jasmine's outcome in a line; failures in full.
export default class QuietReporter {
  #specs = 0;

  specDone({ status, fullName, failedExpectations }) {
    this.#specs++;
    if (status !== 'failed') return;
    process.stdout.write(`FAILED: ${fullName}\n`);
    for (const { message, stack } of failedExpectations) process.stdout.write(`  ${message}\n${stack}\n`);
  }

  jasmineDone({ overallStatus, totalTime }) {
    process.stdout.write(
      `${process.version}: ${this.#specs} specs ${overallStatus} in ${(totalTime / 1000).toFixed(0)} s\n`,
    );
  }
}
