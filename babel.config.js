module.exports = function configureBabel(api) {
  // Tests have no chunks to fetch: what the page fetches later is there at once.
  const isTest = api.env('test');
  api.cache.using(() => process.env.NODE_ENV);
  return {
    presets: [['babel-preset-expo', { jsxImportSource: 'nativewind' }], 'nativewind/babel'],
    plugins: isTest ? ['@babel/plugin-transform-dynamic-import'] : [],
  };
};
