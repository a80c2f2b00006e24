#!/usr/bin/env node
// Many studios on one machine, each a process with a data folder of its own, as a host would run them: what each takes of memory and processor.
//   scripts/simulate-studios.mjs [studios=200] [firing=5] [folder]
// One in FIRING has two firings under way; the others rest between firings. Stops early, and says so, where memory runs out.
// Uses the copy that ./demo or ./start built last. A line for each studio goes to FOLDER/studios.csv.
import { spawn } from 'node:child_process';
import { cpSync, existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { cpus, tmpdir } from 'node:os';
import { dirname, join } from 'node:path';

const [studios, firing] = [Number(process.argv[2] ?? 200), Number(process.argv[3] ?? 5)];
const folder = process.argv[4] ?? mkdtempSync(join(tmpdir(), 'ember-studios-'));
const latest = '.build/app/latest';
if (!existsSync(latest) || !(studios > 0) || !(firing > 0)) {
  console.error('usage: scripts/simulate-studios.mjs [studios] [one in so many fires] [folder]; ./demo builds the program first');
  process.exit(2);
}
const program = join(readFileSync(latest, 'utf8'), 'ZealousEmber.App.dll');
const [firstPort, restSeconds, spareKb, asked] = [20_000, 60, 1_500_000, 300];
const ticks = 100;

const running = [];
const stop = () => running.forEach((s) => s.process.kill());
process.on('exit', stop);
process.on('SIGINT', () => process.exit(130));

const wait = (ms) => new Promise((done) => setTimeout(done, ms));
const kb = (file, name) => Number(new RegExp(`^${name}:\\s+(\\d+)`, 'm').exec(readFileSync(file, 'utf8'))?.[1] ?? 0);
const used = (pid) => {
  const after = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1].split(' ');
  return (Number(after[11]) + Number(after[12])) / ticks;
};
const middle = (values, share = 0.5) => values.toSorted((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * share))];

async function start(data, port, demo) {
  const began = Date.now();
  const child = spawn('dotnet', [program, `--contentRoot=${dirname(program)}`, `--demo=${demo}`], {
    env: { ...process.env, EMBER_DATA: data, PORT: String(port), DOTNET_NOLOGO: '1' },
    stdio: 'ignore'
  });
  const studio = { process: child, port, fires: demo };
  running.push(studio);
  while (Date.now() - began < 180_000) {
    if (child.exitCode !== null) throw new Error(`The studio on port ${port} ended by itself.`);
    if (await fetch(`http://127.0.0.1:${port}/api/room`).then((r) => r.ok, () => false)) break;
    await wait(100);
  }
  studio.startSeconds = (Date.now() - began) / 1000;
  return studio;
}

/** A folder with the demo studio in it, made by one start. */
async function made(name, demo) {
  const data = join(folder, name);
  mkdirSync(data, { recursive: true });
  const studio = await start(data, firstPort - 1, demo);
  await wait(3_000);
  const ended = new Promise((done) => studio.process.on('exit', done));
  studio.process.kill();
  await ended;
  running.length = 0;
  rmSync(join(data, 'ember.lock'), { force: true });
  return data;
}

const [fires, rests] = [await made('fires', true), await made('rests', false)];
let full = false;
for (let i = 0; i < studios && !full; i += cpus().length) {
  const batch = [];
  for (let k = i; k < Math.min(studios, i + cpus().length); k++) {
    const data = join(folder, `studio-${k + 1}`);
    cpSync(k % firing === 0 ? fires : rests, data, { recursive: true });
    batch.push(start(data, firstPort + k, k % firing === 0));
  }
  await Promise.all(batch);
  full = kb('/proc/meminfo', 'MemAvailable') < spareKb;
  if (running.length % 20 === 0) console.log(`${running.length} studios, ${Math.round(kb('/proc/meminfo', 'MemAvailable') / 1000)} MB free`);
}
if (full) console.log(`Memory ends at ${running.length} studios.`);

await wait(20_000);
const before = running.map((s) => used(s.process.pid));
await wait(restSeconds * 1000);
const rows = running.map((s, i) => ({
  port: s.port,
  fires: s.fires,
  start: s.startSeconds,
  mb: kb(`/proc/${s.process.pid}/smaps_rollup`, 'Pss') / 1000,
  cpu: ((used(s.process.pid) - before[i]) / restSeconds) * 100
}));

const answers = [];
for (let i = 0; i < asked; i++) {
  const began = performance.now();
  await fetch(`http://127.0.0.1:${running[(i * 37) % running.length].port}/api/room`).then((r) => r.text());
  answers.push(performance.now() - began);
}

writeFileSync(
  join(folder, 'studios.csv'),
  `port,firing,start s,MB,% of a core\n${rows.map((r) => `${r.port},${r.fires},${r.start.toFixed(1)},${r.mb.toFixed(0)},${r.cpu.toFixed(2)}`).join('\n')}\n`
);
for (const [name, of] of [['resting', rows.filter((r) => !r.fires)], ['firing', rows.filter((r) => r.fires)]]) {
  if (of.length === 0) continue;
  const told = (key, digits) => [middle(of.map((r) => r[key])), middle(of.map((r) => r[key]), 0.95)].map((v) => v.toFixed(digits)).join(' / ');
  console.log(`${of.length} ${name}: memory ${told('mb', 0)} MB, processor ${told('cpu', 2)} % of a core, start ${told('start', 1)} s (median / p95)`);
}
console.log(`In all ${(rows.reduce((sum, r) => sum + r.mb, 0) / 1000).toFixed(1)} GB, ${rows.reduce((sum, r) => sum + r.cpu, 0).toFixed(0)} % of a core.`);
console.log(`/api/room of one after another: ${middle(answers).toFixed(1)} / ${middle(answers, 0.95).toFixed(1)} ms (median / p95)`);
console.log(`Each of them: ${join(folder, 'studios.csv')}`);
process.exit(0);
