import { svelte } from '@sveltejs/vite-plugin-svelte';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  plugins: [svelte()],
  // Svelte as a browser takes it. A test that draws or needs the device says "@vitest-environment jsdom"; the others start faster without.
  resolve: { alias: { $lib: new URL('./src/lib', import.meta.url).pathname }, conditions: ['browser'] },
  // How long a test may take is no bar of ours: it only ends one that hangs, also on a machine that does much else.
  test: { environment: 'node', include: ['src/**/*.test.ts'], testTimeout: 60_000 }
});
