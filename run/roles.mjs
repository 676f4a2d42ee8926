import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import path from 'node:path';

/** Who may what: the cluster's own superuser, the owner of the records, the server at its work, and one who only reads. */
export const SUPERUSER = 'hudrik';
export const ROLES = { owner: 'hudrik_owner', app: 'hudrik_app', reader: 'hudrik_reader' };

export const PASSWORDS = 'passwords.json';
const fileOf = (home) => path.join(home, PASSWORDS);

/** The passwords of this cluster's roles: made once, and readable by nobody but whoever starts it. Null: they are not made yet. */
export const readPasswords = (home) =>
  existsSync(fileOf(home)) ? JSON.parse(readFileSync(fileOf(home), 'utf8')) : null;

export function makePasswords(home) {
  const passwords = Object.fromEntries(
    [SUPERUSER, ...Object.values(ROLES)].map((role) => [role, randomBytes(24).toString('base64url')]),
  );
  // Whole or not there, whenever one is stopped.
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

const quoted = (text) => `'${text.replaceAll("'", "''")}'`;

/** The roles with their passwords; asked again, nothing changes. */
export const rolesSql = (passwords) =>
  [
    ...Object.values(ROLES).map(
      (role) => `do $$ begin create role ${role} login nosuperuser; exception when duplicate_object then null; end $$;`,
    ),
    ...Object.entries(passwords ?? {}).map(([role, password]) => `alter role ${role} password ${quoted(password)};`),
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
