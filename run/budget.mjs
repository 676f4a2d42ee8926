import { readFileSync } from 'node:fs';
import path from 'node:path';
import { brotliCompressSync } from 'node:zlib';
import { ROOT } from './places.mjs';

/** What sign-in and the shift need: all scripts that the page names and loads at once. */
const MOST_KB = Number(process.env.HUDRIK_BUDGET_KB ?? 340);

const dist = path.join(ROOT, 'app', 'dist');
const html = readFileSync(path.join(dist, 'index.html'), 'utf8');
const scripts = [...html.matchAll(/<script[^>]*src="([^"]+)"/g)].map(([, file]) => file);
const sizes = scripts.map((file) => ({ file, bytes: brotliCompressSync(readFileSync(path.join(dist, file))).length }));
const all = sizes.reduce((sum, { bytes }) => sum + bytes, 0) / 1000;
for (const { file, bytes } of sizes) console.log(`${(bytes / 1000).toFixed(1).padStart(8)} kB  ${path.basename(file)}`);
console.log(`${all.toFixed(1).padStart(8)} kB brotli in all; ${MOST_KB} are allowed`);
process.exit(all <= MOST_KB ? 0 : 1);
