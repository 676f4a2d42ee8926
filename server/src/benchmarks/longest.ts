import { timesOfLongest } from '../testing/longest';

/** Looking at the longest that may be sent: nobody else is answered meanwhile. */
const times = await timesOfLongest();
console.log(`\nthe longest that may be sent, of ${times.length} ways to fill it: the five that take longest`);
for (const { what, ms } of times.slice(0, 5)) console.log(`${ms.toFixed(1).padStart(8)} ms  ${what}`);
const strangers = times.find(({ isOfStrangers }) => isOfStrangers);
console.log(`of a stranger’s, the longest: ${strangers?.ms.toFixed(2)} ms  ${strangers?.what}`);
