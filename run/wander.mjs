import { onDemo } from './onDemo.mjs';

/** Goes through the whole app by chance: `npm run wander -- --seed 7 --minutes 5 --size phone`; without a size, half of the time at each. */
process.exit(await onDemo('hudrik_wander', 'wander/main.ts', process.argv.slice(2)));
