/** Where the background engine keeps its own tables. */
export const WORKER_SCHEMA = 'hudrik_worker';
