import path from 'node:path';
import { onDemo } from './onDemo.mjs';
import { ROOT } from './places.mjs';

/** Takes the pictures in docs/screenshots anew, from the demo's yard. */
process.exit(await onDemo('hudrik_pictures', 'screenshots.ts', [path.join(ROOT, 'docs/screenshots')]));
