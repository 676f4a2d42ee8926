import own from '../package.json' with { type: 'json' };

/** Of this program. */
export const VERSION = own.version;
