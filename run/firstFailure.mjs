import { run } from 'node:test';
import path from 'node:path';

/** Runs test files and ends at the first that fails: what a broken line needs to be noticed. */
const files = process.argv.slice(2).map((file) => path.resolve(file));
const stream = run({ files, concurrency: true });
stream.on('test:fail', ({ name, todo }) => {
  if (todo) return;
  console.log(`failed: ${name}`);
  process.exit(1);
});
stream.on('data', () => {});
stream.on('end', () => process.exit(0));
