import { ensureChromium, ensurePostgres } from './install.mjs';

/** What comes from Debian's packages and is missing. */
ensurePostgres();
ensureChromium();
