import { makeDatabase } from './databases';

/** Makes the migrated database that the tests take copies of, before they begin. */
await (await makeDatabase()).drop();
