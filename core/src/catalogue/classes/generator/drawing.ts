import type { Drawing } from '../../shapes';

/** Our own drawing, in a square of 48, one stroke. */
export const DRAWING: Drawing = {
  paths: ['M6 12h36v26H6zM10 38v4M38 38v4M12 12V8h20v4', 'M12 19h12v13H12zM30 20h6M30 26h6M30 32h6'],
  circles: [],
};
