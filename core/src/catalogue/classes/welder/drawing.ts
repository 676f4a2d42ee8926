import type { Drawing } from '../../shapes';

/** Our own drawing, in a square of 48, one stroke. */
export const DRAWING: Drawing = {
  paths: ['M6 14h26v22H6zM10 36v5M28 36v5M12 20h6v6h-6zM24 20h4M24 25h4', 'M32 30c8 0 4-14 10-14M42 16l-3-6M20 31h6'],
  circles: [],
};
