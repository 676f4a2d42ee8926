import type { Drawing } from '../../shapes';

/** Our own drawing, in a square of 48, one stroke. */
export const DRAWING: Drawing = {
  paths: ['M4 28h40M6 28v-6h4v6M10 25h14M24 20v8h4v-8zM34 28V16l6 12', 'M36 28v12M32 40h8'],
  circles: [{ x: 14, y: 36, radius: 5 }],
};
