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
  'people',
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
  'saying',
  'cones',
  'packing',
  'live',
  'reading',
  'logbook',
  'learning',
  'firings'
];

/** Longer than 200 lines of code, from before that was checked: split when they are next worked on. Nothing is added here. */
const long = [
  'src/lib/chart/FiringChart.svelte',
  'src/lib/controllers/EntryCard.svelte',
  'src/lib/controllers/PracticeTask.svelte',
  'src/lib/controllers/ReadBackCard.svelte',
  'src/lib/controllers/SetStage.svelte',
  'src/lib/controllers/TurnSheet.svelte',
  'src/lib/controllers/setting.svelte.ts',
  'src/lib/draft/autosaved-draft.svelte.ts',
  'src/lib/firings/LotRow.svelte',
  'src/lib/packing/KilnSection.svelte',
  'src/lib/packing/LoadingSheet.svelte',
  'src/lib/packing/ShelfPlan.svelte',
  'src/lib/packing/packing-loop.svelte.ts',
  'src/routes/firings/[[]id[]]/+page.svelte',
  'src/routes/schedules/[[]id[]]/+page.svelte',
  'src/routes/schedules/compare/+page.svelte',
  'src/routes/stores/controllers/[[]id[]]/+page.svelte'
];

/** What a component asks, watches or sends goes through one of these; two of them together belong into a file of their own beside it. */
const sources = { '@tanstack/svelte-query': 'query', './hub.svelte': 'hub', './outbox.svelte': 'outbox' };
const oneSource = {
  create: (context) => {
    const used = new Map();
    return {
      ImportDeclaration(node) {
        const source = sources[node.source.value];
        if (source) used.set(source, node);
        if (used.size > 1)
          context.report({
            node,
            message: `A component uses one of ${[...used.keys()].join(', ')}, not more.`
          });
      }
    };
  }
};

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
    files: ['src/**/*.{ts,svelte}'],
    ignores: ['**/*.test.ts', '**/*.d.ts', 'src/lib/api/vocabulary.ts', ...long],
    rules: { 'max-lines': ['error', { max: 200, skipBlankLines: true, skipComments: true }] }
  },
  {
    files: ['src/**/*.svelte'],
    plugins: { ours: { rules: { 'one-source': oneSource } } },
    rules: { 'ours/one-source': 'error' }
  },
  {
    files: ['**/*.svelte', '**/*.svelte.ts'],
    languageOptions: { parserOptions: { parser: ts.parser, svelteConfig } }
  }
);
