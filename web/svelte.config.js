import adapter from '@sveltejs/adapter-static';

/** @type {import('@sveltejs/kit').Config} */
export default {
  kit: {
    // One page for every address; the program serves it, and the API, from one origin.
    adapter: adapter({
      pages: process.env.EMBER_PAGES || '../src/ZealousEmber.App/wwwroot',
      fallback: 'index.html'
    })
  }
};
