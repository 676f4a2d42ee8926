import pino from 'pino';

/** What of a database's error holds the rows that it is about: names of people and hirers, say. */
const ROWS = ['detail', 'where', 'hint', 'internalQuery', 'query', 'parameters', 'value', 'params', 'errors', 'inner'];

/** An error as it may be written down: what it is and where it happened, without whose rows it is about. */
export function errorInLog(error: Error): object {
  const said = pino.stdSerializers.err(error);
  return Object.fromEntries(
    Object.entries({ ...said, type: said.type, message: said.message, stack: said.stack }).filter(
      ([name]) => !ROWS.includes(name),
    ),
  );
}
