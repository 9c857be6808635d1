// Lists what the front end ships of others, with their licences, in the folder given.
import { execSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';

const packages = JSON.parse(execSync('npm query ":root .prod" --silent', { encoding: 'utf8' }));
const unknown = packages.filter(({ license }) => !license).map(({ name }) => name);
if (unknown.length > 0) throw new Error(`Nobody says how these may be used: ${unknown.join(', ')}`);
const lines = packages.map(({ name, version, license }) => `(${license}) ${name} ${version}`);
writeFileSync(
  join(process.argv[2], 'THIRD-PARTY.txt'),
  `What the front end ships of others, with their licences.\n\n${[...new Set(lines)].toSorted().join('\n')}\n`,
);
