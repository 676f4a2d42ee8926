import { sql, type Kysely } from 'kysely';

/**
 * What a job is has its own id now, by what is done: it was called by the exception that raised it, so that four damages of a welder were
 * one job. Jobs that are open get the id of their wording, so that what is found again is added to them.
 */
const WORK_OF_TITLE: readonly (readonly [title: string, work: string])[] = [
  ['Belt and tension', 'belt-tension'],
  ['Belt release', 'belt-release'],
  ['Charge and test the battery', 'charge-test-battery'],
  ['Clean and tighten the terminals', 'clean-tighten-terminals'],
  ['Clean the inlet screen', 'clean-inlet-screen'],
  ['Clear the nozzle', 'clear-nozzle'],
  ['Clear the tines', 'clear-tines'],
  ['Control lever and valve', 'control-lever-valve'],
  ['Coupler and chains', 'coupler-chains'],
  ['Dead-man cable and auger brake', 'dead-man-cable-auger-brake'],
  ['Dead-man lever and cable', 'dead-man-lever-cable'],
  ['Earth terminal', 'earth-terminal'],
  ['Frame, feet or wheels', 'frame-feet-wheels'],
  ['Frame, wheel or lifting eye', 'frame-wheel-lifting-eye'],
  ['Free and grease the chute', 'free-grease-chute'],
  ['Friction disc', 'friction-disc'],
  ['Governor and speed', 'governor-speed'],
  ['Grease the beam', 'grease-beam'],
  ['Guard', 'guard'],
  ['Hydraulic hose', 'hydraulic-hose'],
  ['Idle control', 'idle-control'],
  ['Look at the pump seals', 'look-at-pump-seals'],
  ['New belt', 'new-belt'],
  ['New breaker', 'new-breaker'],
  ['New duty-rating plate', 'new-duty-rating-plate'],
  ['New electrode holder', 'new-electrode-holder'],
  ['New ground clamp', 'new-ground-clamp'],
  ['New gun', 'new-gun'],
  ['New high-pressure hose', 'new-high-pressure-hose'],
  ['New inlet washer', 'new-inlet-washer'],
  ['New nozzle', 'new-nozzle'],
  ['New shear bolt of the right grade', 'new-shear-bolt-right-grade'],
  ['New shear pin', 'new-shear-pin'],
  ['New socket', 'new-socket'],
  ['New tine', 'new-tine'],
  ['New tyre', 'new-tyre'],
  ['Open the gearbox', 'open-gearbox'],
  ['Open the pump: seals and valves', 'open-pump-seals-valves'],
  ['Pump seals', 'pump-seals'],
  ['Pump up; look for the leak', 'tyre-pressure'],
  ['Right shear bolts; look at the gearbox', 'right-shear-bolts-look-at'],
  ['Scraper and skids', 'scraper-skids'],
  ['Set the breaker and run on load', 'set-breaker-run-on-load'],
  ['Set the governed speed', 'set-governed-speed'],
  ['Suction side and fluid', 'suction-side-fluid'],
  ['Tighten wedge and end plate', 'tighten-wedge-end-plate'],
  ['Tine guard', 'tine-guard'],
  ['Top up the gearbox', 'top-up-gearbox'],
  ['Top up the pump oil', 'top-up-pump-oil'],
  ['Top up; find where it went', 'top-up-fluid'],
  ['Tyre, chain or pin', 'tyre-chain-pin'],
  ['Unloader', 'unloader'],
  ['Weld repair by a qualified welder, or scrap', 'weld-repair'],
  ['Welding lead', 'welding-lead'],
  ['Wheel, handle or pin', 'wheel-handle-pin'],
  ['Wheel, pin or depth bar', 'wheel-pin-depth-bar'],
];

export async function up(db: Kysely<unknown>): Promise<void> {
  const rows = sql.join(WORK_OF_TITLE.map(([title, work]) => sql`(${title}::text, ${work}::text)`));
  await sql`select set_config('hudrik.unit', 'any', true)`.execute(db);
  await sql`
    update job set work = named.work
    from (values ${rows}) named (title, work)
    where job.title = named.title and job.closed_at is null and job.work <> named.work
      and not exists (
        select 1 from job other
        where other.unit_id = job.unit_id and other.work = named.work and other.closed_at is null
      )`.execute(db);
  await sql`select set_config('hudrik.unit', '', true)`.execute(db);
}
