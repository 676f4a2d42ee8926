import type { Drawing } from '../../shapes';

/** Our own drawing, in a square of 48, one stroke. */
export const DRAWING: Drawing = {
  paths: ['M4 10h8l10 14h14v-8H26M36 24v6', 'M28 29v14M21 36h14M23 31l10 10M33 31 23 41'],
  circles: [{ x: 28, y: 36, radius: 7 }],
};
