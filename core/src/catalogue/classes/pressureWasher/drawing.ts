import type { Drawing } from '../../shapes';

/** Our own drawing, in a square of 48, one stroke. */
export const DRAWING: Drawing = {
  paths: ['M12 36h22M16 36V24h14v12M30 28h6M12 36 8 10h-3', 'M36 28c6 0 2-10 7-14M19 24v-5h8v5'],
  circles: [{ x: 16, y: 39, radius: 4 }],
};
