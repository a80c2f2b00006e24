import { readdirSync } from 'node:fs';
import js from '@eslint/js';
import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';
import svelteConfig from './svelte.config.js';

/** What every feature stands on. */
const ground = ['api', 'chart', 'draft', 'fields', 'testing', 'ui'];

/** Folders of web/src/lib that are about a part of the job, from the ground up: each may use those before it, through their index.ts, words.ts and queries.ts. */
const features = [
  'glossary',
  'findings',
  'controllers',
  'kilns',
  'stock',
  'studio',
  'library',
  'starts',
  'fuel',
  'editor',
  'cones',
  'packing',
  'live',
  'reading',
  'logbook',
  'learning',
  'firings'
];

const folders = readdirSync(new URL('./src/lib', import.meta.url), { withFileTypes: true })
  .filter((entry) => entry.isDirectory())
  .map((entry) => entry.name);
const unlisted = folders.filter((folder) => !ground.includes(folder) && !features.includes(folder));
const missing = [...ground, ...features].filter((folder) => !folders.includes(folder));
if (unlisted.length || missing.length)
  throw new Error(
    `Give each folder of web/src/lib its layer in eslint.config.js. Not listed: ${unlisted.join(', ') || 'none'}; not there: ${missing.join(', ') || 'none'}.`
  );

/** A feature uses the features below it, and of those only the public file. */
const layers = features.map((feature, i) => ({
  files: [`src/lib/${feature}/**`],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: [
          {
            group: features
              .filter((other) => other !== feature)
              .flatMap((other) => [`$lib/${other}/*`, `!$lib/${other}/words`, `!$lib/${other}/queries`]),
            message:
              'A feature uses another only through its public files: $lib/<feature>, and its words and queries, which bring no component along.'
          },
          ...(i + 1 < features.length
            ? [
                {
                  group: features.slice(i + 1).flatMap((above) => [`$lib/${above}`, `$lib/${above}/*`]),
                  message: 'A feature uses only those before it in the list of features.'
                }
              ]
            : []),
          { group: ['../*'], message: 'Another folder is named by $lib.' }
        ]
      }
    ]
  }
}));

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
              group: features.flatMap((feature) => [`$lib/${feature}`, `$lib/${feature}/*`]),
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
              group: [
                ...features.flatMap((feature) => [`$lib/${feature}`, `$lib/${feature}/*`]),
                '$lib/draft/*',
                '!$lib/draft/history.svelte'
              ],
              message: 'ui, fields and chart know no feature and no server.'
            }
          ]
        }
      ]
    }
  },
  ...layers,
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
