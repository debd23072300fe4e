// Karma on Debian's Chromium; the flags are for machines without a sandbox, a GPU or a network.
process.env.CHROME_BIN ??= '/usr/bin/chromium';
// Not UTC, so that a day or an hour of the wrong zone is seen.
process.env.TZ ??= 'Europe/Oslo';

module.exports = (config) =>
  config.set({
    frameworks: ['jasmine'],
    plugins: [require('karma-jasmine'), require('karma-chrome-launcher'), require('karma-coverage')],
    reporters: ['progress'],
    customLaunchers: {
      ChromeHeadlessHere: {
        base: 'ChromeHeadless',
        flags: [
          '--no-sandbox',
          '--disable-gpu',
          '--disable-quic',
          '--no-first-run',
          '--disable-background-networking',
          '--disable-component-update',
          '--disable-sync',
        ],
      },
    },
    restartOnFileChange: false,
  });
