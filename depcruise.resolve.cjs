module.exports = { resolve: { alias: { $lib: require('path').resolve(__dirname, 'src/lib') } } };
