import { giveUp, say } from './say.mjs';

/** What a value may be: in words, and whether one is. */
const KINDS = {
  port: {
    says: 'a port, 1 to 65535',
    holds: (value) => /^\d{1,5}$/.test(value) && Number(value) >= 1 && Number(value) <= 65_535,
  },
  count: { says: 'a whole number above nothing', holds: (value) => /^[1-9]\d{0,8}$/.test(value) },
  figure: { says: 'a number, nothing or more', holds: (value) => /^\d{1,12}(\.\d+)?$/.test(value) },
  yes: { says: '`yes` or `no`', holds: (value) => /^(yes|no)$/.test(value) },
  level: {
    says: '`silent`, `fatal`, `error`, `warn`, `info`, `debug` or `trace`',
    holds: (value) => /^(silent|fatal|error|warn|info|debug|trace)$/.test(value),
  },
  address: { says: 'an address, http or https', holds: (value) => /^https?:\/\/\S+$/.test(value) },
  database: { says: 'a database’s address, postgres://…', holds: (value) => /^postgres(ql)?:\/\/\S+$/.test(value) },
  place: { says: 'an address with a port', holds: (value) => /^(\[[0-9a-f:]+\]|[^\s:/]+):\d{1,5}$/i.test(value) },
  path: { says: 'a folder or a file', holds: (value) => value !== '' },
  'path or none': { says: 'a folder; empty: none', holds: () => true },
  names: { says: 'names, with spaces or commas between', holds: (value) => value.trim() !== '' },
  text: { says: 'text', holds: (value) => value !== '' },
};

/** Of one setting: its name, what it may be, what holds where it is left out, and what it does. */
const setting = (name, kind, usual, does) => ({ name, kind, usual, does });

/** Every setting there is. What is not here is misspelt. */
export const SETTINGS = {
  'For who runs a yard': [
    setting('PORT', 'port', '4780', 'where the server listens'),
    setting('HUDRIK_DATA', 'path', '`.hudrik` in the checkout', 'where the records, certificates and backups are kept'),
    setting(
      'HUDRIK_HOST',
      'text',
      'this machine alone',
      'listens elsewhere too, for phones on the yard’s network: over https then',
    ),
    setting('HUDRIK_NAMES', 'names', 'none', 'more names by which this machine is called, for its certificate'),
    setting(
      'HUDRIK_TLS_CERT',
      'path',
      'one by Hudrik’s own authority',
      'the yard’s own certificate, with `HUDRIK_TLS_KEY`',
    ),
    setting('HUDRIK_TLS_KEY', 'path', 'with the certificate', 'its key'),
    setting('HUDRIK_TRUST_PORT', 'port', 'one above `PORT`', 'where devices learn to trust that authority'),
    setting('HUDRIK_PLAIN_HTTP', 'yes', 'https', 'in the clear beyond this machine; phones then keep nothing offline'),
    setting(
      'HUDRIK_PROCESSES',
      'count',
      '1',
      'so many server processes, with nginx in front ([more than one](more-than-one.md))',
    ),
    setting('HUDRIK_LOG', 'level', '`warn`', 'how much the server writes into its log, JSON line by line'),
    setting(
      'HUDRIK_METRICS_TOKEN',
      'text',
      'this machine alone',
      'with it other machines read `/metrics` ([what to watch](watching.md))',
    ),
    setting(
      'HUDRIK_BACKUPS',
      'path or none',
      '`backups` in the data folder',
      'where backups are written each night ([backups](backups.md))',
    ),
    setting('HUDRIK_BACKUPS_KEEP', 'count', '14', 'how many of them are kept'),
    setting(
      'HUDRIK_POSTGRES',
      'path',
      '`/usr/lib/postgresql`',
      'where PostgreSQL’s versions are ([upgrading](upgrading.md))',
    ),
  ],
  'For another database than its own': [
    setting(
      'DATABASE_URL',
      'database',
      'a private cluster',
      'an existing PostgreSQL, 15 or newer, with `btree_gist` to be had',
    ),
    setting(
      'HUDRIK_OWNER_URL',
      'database',
      '`DATABASE_URL`',
      'the same as its owner, for migrations and backups, where the first is of a role that may less',
    ),
    setting(
      'HUDRIK_READ_URL',
      'database',
      'none',
      'a hot standby that answers what only reads, and takes over when it is promoted',
    ),
  ],
  'For a second machine': [
    setting('HUDRIK_POSTGRES_PORT', 'port', 'one that is free', 'where the records’ own server is reached'),
    setting(
      'HUDRIK_POSTGRES_HOST',
      'text',
      'this machine alone',
      'an address of this machine where the other one reaches them, over TLS ([more than one](more-than-one.md))',
    ),
    setting('HUDRIK_POSTGRES_PEERS', 'names', 'nobody', 'the addresses that may come there'),
    setting(
      'HUDRIK_POSTGRES_KEPT_MB',
      'count',
      '2048',
      'so much of the log of changes is kept for a copy that is away, MB',
    ),
    setting('HUDRIK_OTHER', 'place', 'none', 'the other machine’s records, as HOST:PORT'),
  ],
  'For what is outside': [
    setting('HUDRIK_SUPPLIER_URL', 'address', 'a simulated one', 'a real supplier'),
    setting('HUDRIK_INSTRUMENTS_URL', 'address', 'simulated ones', 'real instruments of the bench'),
    setting('HUDRIK_DESK_URL', 'address', 'a simulated one', 'a real booking desk’s iCalendar list'),
    setting('HUDRIK_EQUIPMENT_URL', 'address', 'a simulated one', 'a real feed of machines’ hours (ISO/TS 15143-3)'),
    setting(
      'HUDRIK_PRIVATE_HOSTS',
      'names',
      'none',
      'hosts of those that may be at an address of this machine or of the yard’s own network',
    ),
    setting(
      'HUDRIK_SUPPLIER_DAY_MS',
      'figure',
      'a day; in the demo 4000',
      'how long a day of the simulated supplier lasts',
    ),
    setting(
      'HUDRIK_SUPPLIER_FAILS',
      'figure',
      '0; in the demo 4',
      'of a hundred questions to the simulated supplier so many fail',
    ),
  ],
  'For tests and drills': [
    setting('HUDRIK_BUDGET_KB', 'figure', '340', 'what the first screen may need'),
    setting('HUDRIK_FUZZ', 'count', '400', 'how many odd requests are sent'),
    setting('HUDRIK_PROMISE', 'count', '2000', 'runs that hold _fit means fit_'),
    setting('HUDRIK_PROMISE_STEPS', 'count', '40', 'deeds of each'),
    setting('HUDRIK_PROMISE_SEED', 'text', 'by chance', 'their seed'),
    setting('HUDRIK_KILLS', 'count', '200', 'kills of server, database and browser'),
    setting('HUDRIK_POINTS', 'count', '20', 'points at which a start is killed'),
    setting('HUDRIK_SOAK_MINUTES', 'count', '30', 'how long ten people work'),
    setting('HUDRIK_SEED', 'text', 'by chance', 'the seed of the kills'),
    setting('HUDRIK_QUEUED', 'count', 'by the bench', 'jobs in the queue of the bench'),
    setting('HUDRIK_BENCH_DRAWS', 'count', 'by the bench', 'draws of a sum'),
    setting('HUDRIK_BENCH_EACH', 'count', 'by the bench', 'repeats of a sum'),
    setting('HUDRIK_EVERY_CLASS', 'text', 'some', 'taps of a return of every class are counted'),
  ],
};

/** How Hudrik’s own processes tell each other what they must know. Nobody sets these. */
export const TOLD = [
  ...['HUDRIK_DEMO', 'HUDRIK_DATA_FOLDER', 'HUDRIK_BUILT', 'HUDRIK_BACKUP_BEFORE', 'HUDRIK_SPARE_URL'],
  ...['HUDRIK_ENDS_WITH_RUNNER'],
  ...['HUDRIK_FACING_HOST', 'HUDRIK_FACING_PORT', 'HUDRIK_FIRST_LEAD_CODE', 'HUDRIK_KEEPS_CERTIFICATE'],
];

const all = () => Object.values(SETTINGS).flat();

/** What is wrong in an environment, in lines; a name that is one letter or two from a known one is asked about. */
export async function wrongIn(env) {
  const known = all();
  const names = [...known.map(({ name }) => name), ...TOLD];
  const { distance, closest } = await import('fastest-levenshtein');
  const misspelt = Object.keys(env)
    .filter((name) => name.startsWith('HUDRIK_') && !names.includes(name))
    .map((name) => {
      const near = closest(name, names);
      return `there is no setting ${name}${distance(name, near) <= 3 ? `: is ${near} meant?` : '; docs/settings.md has all of them.'}`;
    });
  const values = known
    .filter(({ name, kind }) => env[name] !== undefined && !KINDS[kind].holds(env[name]))
    .map(({ name, kind }) => `${name} must be ${KINDS[kind].says.replaceAll('`', '')}; it is “${env[name]}”.`);
  return { misspelt, values };
}

/** Says what is misspelt, and starts nothing with what cannot be. */
export async function mustBeRight(env) {
  const { misspelt, values } = await wrongIn(env);
  for (const line of misspelt) say(line);
  if (values.length > 0) giveUp(values.join('\nhudrik: '));
}

/** All of it as the page of the documents. */
export const settingsPage = () =>
  [
    '# Settings',
    '',
    'All are environment variables, read at the start. One that is misspelt is said then; one whose value cannot be ends the start. This page is written',
    'from `run/settings.mjs`, which also checks them: `npm run -s settings > docs/settings.md`.',
    ...Object.entries(SETTINGS).flatMap(([title, settings]) => [
      '',
      `## ${title}`,
      '',
      '| setting | what it does | what it may be | left out |',
      '| --- | --- | --- | --- |',
      ...settings.map(({ name, kind, usual, does }) => `| \`${name}\` | ${does} | ${KINDS[kind].says} | ${usual} |`),
    ]),
    '',
    '## Told among Hudrik’s own processes',
    '',
    `Nobody sets these: ${TOLD.map((name) => `\`${name}\``).join(', ')}.`,
    '',
  ].join('\n');
