// Builds the front end into the folder given, unless nothing it is made of has changed since.
import { execSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';

const out = resolve(process.argv[2]);
const stamps = resolve('target');

function filesBelow(path) {
  if (!existsSync(path)) return [];
  return readdirSync(path, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && !entry.name.endsWith('.gen.ts'))
    .map((entry) => join(entry.parentPath, entry.name));
}

function digest(files) {
  const hash = createHash('sha256');
  for (const file of files.toSorted()) {
    hash.update(file).update('\0').update(readFileSync(file));
  }
  return hash.digest('hex');
}

function isNew(name, now) {
  const stamp = join(stamps, name);
  return !existsSync(stamp) || readFileSync(stamp, 'utf8') !== now;
}

function remember(name, now) {
  mkdirSync(stamps, { recursive: true });
  writeFileSync(join(stamps, name), now);
}

const run = (command) => execSync(command, { stdio: 'inherit' });

const packages = digest(['package.json', 'package-lock.json']);
if (isNew('npm.sha256', packages) || !existsSync('node_modules')) {
  run('npm ci --no-audit --no-fund --loglevel=error');
  remember('npm.sha256', packages);
}

const settings = readdirSync('.').filter((name) => /\.(json|js|mjs|ts|html)$/.test(name));
const sources = digest([...filesBelow('src'), ...filesBelow('public'), ...settings]);
if (isNew('build.sha256', sources) || !existsSync(join(out, 'index.html'))) {
  run('npm run api --silent');
  run('npm run lint --silent');
  run('npm run types --silent');
  run('npm test --silent');
  rmSync(out, { recursive: true, force: true });
  run(`npx vite build --outDir "${out}" --logLevel warn`);
  run(`npx vite build --mode visitors --outDir "${out}" --logLevel warn`);
  run(`node scripts/licences.mjs "${out}"`);
  remember('build.sha256', sources);
} else {
  console.log('The front end is up to date.');
}
