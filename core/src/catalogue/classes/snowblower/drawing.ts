import type { Drawing } from '../../shapes';

/** Our own drawing, in a square of 48, one stroke. */
export const DRAWING: Drawing = {
  paths: ['M4 12h6l8 14h12M18 26v8M30 40V24l12 2v14z', 'M33 24v-8c0-4 3-6 8-6M31 33c4-4 7 4 11 0'],
  circles: [{ x: 18, y: 37, radius: 5 }],
};
