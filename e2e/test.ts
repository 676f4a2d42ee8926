import { test as base } from '@playwright/test';
import { startWorkerServer, type WorkerServer } from './server';

/** Each worker has a server and a yard of its own, so tests that go at the same time do not take each other's units. */
export const test = base.extend<object, { readonly server: WorkerServer }>({
  server: [
    // The package wants an object here, even an empty one.
    // oxlint-disable-next-line no-empty-pattern
    async ({}, give, { workerIndex }) => {
      const [postgresUrl, template] = [process.env['POSTGRES_URL'], process.env['YARD_TEMPLATE']];
      if (!postgresUrl || !template) throw new Error('POSTGRES_URL and YARD_TEMPLATE are not set: npm test sets them');
      const server = await startWorkerServer(postgresUrl, template, `hudrik_worker_${process.pid}_${workerIndex}`);
      await give(server);
      await server.stop();
    },
    { scope: 'worker', timeout: 90_000 },
  ],
  baseURL: async ({ server }, give) => give(server.url),
});

export { expect, type APIRequestContext, type Locator, type Page } from '@playwright/test';
