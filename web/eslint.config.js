import js from '@eslint/js';
import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';
import svelteConfig from './svelte.config.js';

/** Folders of web/src/lib that are about a part of the job. */
const features = ['clock', 'cones', 'editor', 'findings', 'firings', 'glossary', 'kilns', 'library', 'stock'];

export default ts.config(
  { ignores: ['.svelte-kit/', 'src/lib/api/schema.d.ts'] },
  js.configs.recommended,
  ...ts.configs.strict,
  ...svelte.configs.recommended,
  {
    languageOptions: { globals: { ...globals.browser, ...globals.node } },
    rules: {
      // The program is served at the root of its own origin; there is no base path to resolve.
      'svelte/no-navigation-without-resolve': 'off'
    }
  },
  {
    // What every feature stands on knows no feature; a draft knows the server, a field does not even that.
    files: ['src/lib/{ui,fields,chart,draft,api}/**', 'src/lib/*.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              group: features.map((feature) => `$lib/${feature}/*`),
              message: 'ui, fields, chart, draft and api know no feature.'
            }
          ]
        }
      ]
    }
  },
  {
    files: ['src/lib/{ui,fields,chart}/**'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              group: [...features, 'draft']
                .map((feature) => `$lib/${feature}/*`)
                .concat('!$lib/draft/history.svelte'),
              message: 'ui, fields and chart know no feature and no server.'
            }
          ]
        }
      ]
    }
  },
  {
    // routes → feature → … → api: nothing below a route knows one.
    files: ['src/lib/**'],
    rules: {
      'no-restricted-syntax': [
        'error',
        { selector: 'ImportDeclaration[source.value=/routes\\//]', message: 'Only routes know routes.' }
      ]
    }
  },
  {
    files: ['**/*.svelte', '**/*.svelte.ts'],
    languageOptions: { parserOptions: { parser: ts.parser, svelteConfig } }
  }
);
