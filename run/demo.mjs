import { serve } from './serve.mjs';

await serve({ database: 'hudrik_demo', demo: true });
