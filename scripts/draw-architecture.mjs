#!/usr/bin/env node
// Draws docs/architecture.md's two pictures from the code: which folder uses which, and the way of one request. `--check` says whether they are current.
import { readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { dirname, join, relative, sep } from 'node:path';

const page = 'docs/architecture.md';
// The way of a start, each file using the next.
const way = [
  'src/ZealousEmber.App/Firings/FiringRunEndpoints.cs',
  'src/ZealousEmber.App/Services/Firings/RunStarter.cs',
  'src/ZealousEmber.App/Services/Firings/FiringAssessor.cs',
  'src/ZealousEmber.Core/Kilns/IKilnModel.cs',
];
const saving = [
  'src/ZealousEmber.App/Services/Live/LiveStudio.cs',
  'src/ZealousEmber.Store/Repositories/FiringRuns.cs',
  'src/ZealousEmber.Store/Rows/FiringRunRow.cs',
];

const sources = (folder) =>
  readdirSync(folder, { withFileTypes: true, recursive: true })
    .filter((f) => f.isFile() && f.name.endsWith('.cs'))
    .map((f) => join(f.parentPath, f.name))
    .filter((f) => !/[\\/](obj|bin|Migrations)[\\/]/.test(f));

const projects = ['Core', 'Store', 'App'].map((name) => ({ name, root: `src/ZealousEmber.${name}` }));
const folderOf = (project, file) => relative(project.root, dirname(file)).split(sep).slice(0, 1).join('') || 'start';

/** Uses between top folders, by the namespaces files name; a folder that is reached through another is not drawn twice. */
function drawing(project) {
  const uses = new Map();
  for (const file of sources(project.root)) {
    const from = folderOf(project, file);
    uses.set(from, uses.get(from) ?? new Set());
    for (const [, to] of readFileSync(file, 'utf8').matchAll(new RegExp(`^using ZealousEmber\\.${project.name}\\.(\\w+)`, 'gm')))
      if (to !== from) uses.get(from).add(to);
  }
  const reaches = (from, to, seen = new Set()) =>
    [...(uses.get(from) ?? [])].some((next) => next === to || (!seen.has(next) && seen.add(next) && reaches(next, to, seen)));
  const lines = [];
  for (const [from, all] of [...uses].sort(([a], [b]) => a.localeCompare(b)))
    for (const to of [...all].sort())
      if (![...all].some((other) => other !== to && reaches(other, to))) lines.push(`  ${from} --> ${to}`);
  return ['```mermaid', 'flowchart TD', ...lines, '```'].join('\n');
}

function request() {
  const name = (file) => file.split('/').at(-1).replace('.cs', '');
  const step = (chain) =>
    chain.slice(1).map((file, i) => {
      const text = readFileSync(chain[i], 'utf8');
      if (!new RegExp(`\\b${name(file)}\\b`).test(text) ) throw new Error(`${chain[i]} does not use ${name(file)}: draw another way.`);
      return `  ${name(chain[i])} --> ${name(file)}`;
    });
  return ['```mermaid', 'flowchart LR', '  url["POST /api/firings/{id}/start"] --> FiringRunEndpoints', ...step(way), '  FiringRunEndpoints --> LiveStudio', ...step(saving), '  FiringRunRow --> sql["INSERT INTO firing_runs"]', '```'].join('\n');
}

const parts = { ...Object.fromEntries(projects.map((p) => [p.name, drawing(p)])), request: request() };
const before = readFileSync(page, 'utf8');
let after = before;
for (const [name, text] of Object.entries(parts))
  after = after.replace(new RegExp(`(<!-- ${name} -->\\n)[\\s\\S]*?(<!-- end -->)`), (_, start, end) => `${start}${text}\n${end}`);
if (process.argv.includes('--check')) {
  if (after !== before) {
    console.error(`${page} is not what the code is: run node scripts/draw-architecture.mjs`);
    process.exit(1);
  }
} else writeFileSync(page, after);
