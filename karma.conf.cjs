// Debian's browser, unless another is named.
process.env.CHROME_BIN ??= '/usr/bin/chromium';

const quietFlags = require('./tools/chromium-flags.json');

module.exports = config =>
  config.set({
    frameworks: ['jasmine'],
    plugins: [require('karma-jasmine'), require('karma-chrome-launcher')],
    browsers: ['DebianChromium'],
    customLaunchers: { DebianChromium: { base: 'ChromeHeadless', flags: quietFlags } },
    reporters: ['dots'],
    client: { jasmine: { random: true } },
    restartOnFileChange: false,
  });
