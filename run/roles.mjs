import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import path from 'node:path';

/** Who may what: the cluster's own superuser, the owner of the records, the server at its work, one who only reads, and a second machine that copies. */
export const SUPERUSER = 'hudrik';
export const ROLES = { owner: 'hudrik_owner', app: 'hudrik_app', reader: 'hudrik_reader', copy: 'hudrik_copy' };

export const PASSWORDS = 'passwords.json';
const fileOf = (home) => path.join(home, PASSWORDS);

/** The passwords of this cluster's roles: made once, each, and readable by nobody but whoever starts it. */
export function passwordsOf(home) {
  const kept = existsSync(fileOf(home)) ? JSON.parse(readFileSync(fileOf(home), 'utf8')) : {};
  const wanted = [SUPERUSER, ...Object.values(ROLES)];
  if (wanted.every((role) => role in kept)) return kept;
  return keepPasswords(home, {
    ...Object.fromEntries(wanted.map((role) => [role, randomBytes(24).toString('base64url')])),
    ...kept,
  });
}

/** Whole or not there, whenever one is stopped. */
export function keepPasswords(home, passwords) {
  writeFileSync(`${fileOf(home)}.new`, `${JSON.stringify(passwords, null, 2)}\n`, { mode: 0o600 });
  renameSync(`${fileOf(home)}.new`, fileOf(home));
  return passwords;
}

/** Nobody comes in without a password, over loopback or by the socket. */
const WRITTEN_BY_US = '# Written by Hudrik at its start.';
export const HBA = `${WRITTEN_BY_US}
local all all scram-sha-256
host all all 127.0.0.1/32 scram-sha-256
host replication all 127.0.0.1/32 scram-sha-256
local replication all scram-sha-256
`;

/** Whether a cluster lets nobody in without a password: the last thing that is done to one of an older version. */
export function isGuarded(cluster) {
  const rules = readFileSync(path.join(cluster, 'pg_hba.conf'), 'utf8');
  // Whoever runs the yard may have added rules of their own, for a second machine, say: those stay.
  return rules.includes(WRITTEN_BY_US) || !/^[^#\n]*\btrust\b/m.test(rules);
}

const [OTHERS, OTHERS_END] = ['# Other machines, as HUDRIK_POSTGRES_PEERS names them at each start.', '# Up to here.'];

/** The rules with those for other machines in the place of the last ones: over TLS, with a password, and not as the superuser. */
export function rulesFor(rules, peers) {
  const from = rules.indexOf(OTHERS);
  const own = from < 0 ? rules : rules.slice(0, from) + rules.slice(rules.indexOf(OTHERS_END) + OTHERS_END.length + 1);
  if (peers.length === 0) return own;
  const roles = [ROLES.app, ROLES.owner, ROLES.copy].join(',');
  const lines = peers.flatMap((peer) => [
    `hostssl replication ${ROLES.copy} ${peer} scram-sha-256`,
    `hostssl all ${roles} ${peer} scram-sha-256`,
  ]);
  return `${own}${[OTHERS, ...lines, OTHERS_END].join('\n')}\n`;
}

/** What pg_rewind asks of the server that it brings an old one in step with, which it must not ask as the superuser. */
const REWIND = [
  'pg_ls_dir(text, boolean, boolean)',
  'pg_stat_file(text, boolean)',
  'pg_read_binary_file(text)',
  'pg_read_binary_file(text, bigint, bigint, boolean)',
];

const quoted = (text) => `'${text.replaceAll("'", "''")}'`;

/** The roles with their passwords; asked again, nothing changes. */
export const rolesSql = (passwords) =>
  [
    ...Object.values(ROLES).map(
      (role) => `do $$ begin create role ${role} login nosuperuser; exception when duplicate_object then null; end $$;`,
    ),
    `alter role ${ROLES.copy} replication;`,
    // What it is brought in step with must be of the newest timeline on the disk too.
    `grant pg_checkpoint to ${ROLES.copy};`,
    ...REWIND.map((one) => `grant execute on function pg_catalog.${one} to ${ROLES.copy};`),
    ...Object.entries(passwords).map(([role, password]) => `alter role ${role} password ${quoted(password)};`),
  ].join('\n');

/** Gives a database of an older version, which the superuser owned, to the owner of the records. */
export const HAND_OVER = `
do $$
declare what text;
begin
  for what in
    select format('alter schema %I owner to ${ROLES.owner}', nspname) from pg_namespace where nspname in ('public', 'hudrik_worker')
    union all
    select format('alter %s %I.%I owner to ${ROLES.owner}',
        case c.relkind when 'v' then 'view' when 'S' then 'sequence' else 'table' end, n.nspname, c.relname)
      from pg_class c join pg_namespace n on n.oid = c.relnamespace
      where n.nspname in ('public', 'hudrik_worker') and c.relkind in ('r', 'p', 'v', 'S')
        and not exists (select 1 from pg_depend d where d.objid = c.oid and d.deptype in ('a', 'i', 'e'))
    union all
    select format('alter routine %s owner to ${ROLES.owner}', p.oid::regprocedure)
      from pg_proc p join pg_namespace n on n.oid = p.pronamespace
      where n.nspname in ('public', 'hudrik_worker')
        and not exists (select 1 from pg_depend d where d.objid = p.oid and d.deptype = 'e')
    union all
    select format('alter type %I.%I owner to ${ROLES.owner}', n.nspname, t.typname)
      from pg_type t join pg_namespace n on n.oid = t.typnamespace left join pg_class c on c.oid = t.typrelid
      where n.nspname in ('public', 'hudrik_worker') and (t.typtype = 'c' and c.relkind = 'c' or t.typtype = 'e')
  loop execute what; end loop;
end $$;`;
