import { svelte } from '@sveltejs/vite-plugin-svelte';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  plugins: [svelte()],
  // Svelte as a browser takes it. A test that draws or needs the device says "@vitest-environment jsdom"; the others start faster without.
  resolve: { alias: { $lib: new URL('./src/lib', import.meta.url).pathname }, conditions: ['browser'] },
  test: { environment: 'node', include: ['src/**/*.test.ts'] }
});
