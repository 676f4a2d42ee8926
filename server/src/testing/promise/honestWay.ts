import { randomUUID } from 'node:crypto';
import { CLOCK_IDS, CLOCKS, DERIVED_FINDINGS } from '@hudrik/core/catalogue';
import type { Defect } from '@hudrik/core/contracts';
import type { World } from './world';

const STEPS = 10;

/**
 * The short honest way from wherever a unit is: bring it back, wake it up, make whole what is in parts, prove what was worked on, look at what is
 * left. Out: where it led. Nothing is done that the people of a yard would not do.
 */
export async function honestWay(world: World): Promise<string> {
  // What waited on a phone comes first, and from now on everybody is at the bench PC.
  world.phone = null;
  for (const phone of world.phones) for (const send of phone.waiting.splice(0)) await send();
  for (let step = 0; step < STEPS; step++) {
    const { readiness } = await world.unit();
    world.refused.length = 0;
    if (readiness === 'fit' || readiness === 'gone') return readiness;
    if (readiness === 'out') await comeBack(world);
    else if (readiness === 'laid-up') await world.wake();
    else await putInOrder(world);
  }
  const { readiness_verdict: verdict } = await world.unit();
  return `${JSON.stringify(verdict)}; refused last: ${world.refused.join(', ')}`;
}

async function comeBack(world: World): Promise<void> {
  world.later(1);
  await world.checkIn({ settled: await world.settledNow() });
}

async function putInOrder(world: World): Promise<void> {
  if ((await world.hireOut()) !== undefined) return comeBack(world);
  const card = await world.card();
  if (card && card.visit.state !== 'waiting') {
    const [job] = card.jobs.filter((one) => one.state === 'open');
    if (card.visit.state === 'to-prove')
      await world.enter({ jobId: (job ?? card.job).id }, 'back-to-work', { why: '' });
    await waitWhereAsked(world);
    await world.makeWhole();
    await signWhatEndsWithALook(world);
    await world.prove(true);
  } else {
    for (const job of await world.jobs()) await world.enter({ jobId: String(job.id) }, 'job-started', {});
    await waitWhereAsked(world);
    await world.makeWhole();
    await signWhatEndsWithALook(world);
    await world.prove(true);
  }
  if ((await world.jobs()).length === 0) await lookAtWhatIsLeft(world);
}

/** Some findings want a wait that ends well before anybody's look counts. */
async function waitWhereAsked(world: World): Promise<void> {
  const [job] = await world.jobs();
  const wants = (await world.defects()).flatMap(
    ({ origin }) =>
      DERIVED_FINDINGS.find((rule) => origin.kind === 'derived' && rule.id === origin.id)?.closesBy?.clock ?? [],
  );
  const bad = (await world.defects()).flatMap(
    ({ origin }) => CLOCK_IDS.find((id) => origin.kind === 'clock' && id === origin.id) ?? [],
  );
  for (const clock of new Set([...wants, ...bad]))
    if (job)
      await world.enter({ jobId: String(job.id) }, 'clock-started', {
        clockId: randomUUID(),
        clock,
        minutes: CLOCKS[clock].minutes,
        stepId: null,
      });
}

async function signWhatEndsWithALook(world: World): Promise<void> {
  const card = await world.card();
  for (const job of card?.jobs.filter((one) => one.state === 'open' && !one.asksProof) ?? [])
    await world.enter({ jobId: job.id }, 'job-finished', {
      note: '',
      looks: job.defects.map((defect) => defect.id),
      measured: await world.figuresFor(card?.defects ?? []),
    });
}

/** What no job is there for: looked at, one by one; a check-in for what nobody has seen; a repair and its run for what only a run shows. */
async function lookAtWhatIsLeft(world: World): Promise<void> {
  const left = await world.defects();
  const figures = await world.figuresFor(left);
  for (const { id } of left) {
    const figure = figures.find((one) => one.defectId === id);
    const measured = figure && { value: figure.value, unit: figure.unit };
    const look = { defectId: id, why: 'Looked at it', measured };
    if (await world.onUnit('defect-closed', { ...look, how: 'put-right' })) continue;
    await world.onUnit('defect-closed', { ...look, ...(await world.second()), how: 'was-all-right' });
  }
  const still = await world.defects();
  if (still.some(isOfTheUnit)) await world.checkIn({ settled: await world.settledNow() });
  // What only work puts right that is proved: a job for each.
  for (const { id } of still.filter((defect) => !isOfTheUnit(defect)))
    await world.onUnit(
      'job-raised',
      { kind: 'repair', title: 'Put it right', minutes: 30, work: undefined, blocks: 'hold', defectId: id },
      'lead',
    );
}

const isOfTheUnit = ({ origin }: Defect): boolean => origin.kind === 'unit' || origin.kind === 'hours';
