import { ensureWeb } from './web.mjs';

ensureWeb();
