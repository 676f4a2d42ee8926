import { serve } from './serve.mjs';

await serve({ database: 'hudrik', demo: false });
