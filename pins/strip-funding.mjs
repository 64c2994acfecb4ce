// Takes the funding addresses out of package-lock.json; npm writes them anew at every install.
import { readFileSync, writeFileSync } from 'node:fs';

const lock = JSON.parse(readFileSync('package-lock.json', 'utf8'));
for (const entry of Object.values(lock.packages)) delete entry.funding;
writeFileSync('package-lock.json', `${JSON.stringify(lock, null, 4)}\n`);
