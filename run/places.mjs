import path from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..');
export const DATA = path.resolve(process.env.HUDRIK_DATA ?? path.join(ROOT, '.hudrik'));
export const isRoot = process.getuid?.() === 0;
