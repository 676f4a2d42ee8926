import { buildServer } from './builtServer.mjs';
import { ensureModules } from './install.mjs';
import { ensureWeb } from './web.mjs';

/** All that a start needs, so that whoever starts it need not write here. */
ensureModules();
ensureWeb();
await buildServer();
