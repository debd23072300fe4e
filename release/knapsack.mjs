#!/usr/bin/env node
// The released program: serves the page by itself, or is the terminal tool.
const HELP = `
Knapsack: plans the energy of a portable radio outing.

  node knapsack.mjs                  serves your trips on this computer
  node knapsack.mjs demo             serves three made-up trips on a fresh file
  node knapsack.mjs COMMAND ...      the terminal tool; COMMAND is one of those below

KNAPSACK_DATA names the folder with your trips (by itself .knapsack in your home folder), PORT another port than 4173.
KNAPSACK_LISTEN=lan lets other devices in that log in with a passphrase, which “passphrase” sets.
`;

const [major, minor] = process.versions.node.split('.').map(Number);
if (major < 22 || (major === 22 && minor < 14) || major === 23) {
  process.stderr.write(
    `Knapsack needs Node.js 22.14 or later in its line, 24 or 26; this is ${process.version}.\n`,
  );
  process.exit(1);
}
process.stdout.on('error', (error) => process.exit(error.code === 'EPIPE' ? 0 : 1));

const here = new URL('.', import.meta.url);
const [command, ...rest] = process.argv.slice(2);

if (command === undefined || command === 'demo') {
  if (rest.length) {
    process.stderr.write('“demo” takes nothing after it.\n');
    process.exit(2);
  }
  const { fileURLToPath } = await import('node:url');
  const { serve } = await import('@knapsack/server');
  await serve(command === 'demo' ? 'demo' : 'own', {
    webFolder: fileURLToPath(new URL('page', here)),
    demoFolder: fileURLToPath(new URL('demo', here)),
  });
} else {
  if (['--help', '-h', 'help'].includes(command) && rest.length === 0)
    process.stdout.write(`${HELP.trimStart()}\n`);
  const { main } = await import('@knapsack/cli');
  process.exitCode = await main([command, ...rest]);
}
