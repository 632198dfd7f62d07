const { resolve } = require('node:path');

module.exports = {
  resolve: { alias: { $lib: resolve(__dirname, 'src/lib'), $demo: resolve(__dirname, 'src/demo') } },
};
