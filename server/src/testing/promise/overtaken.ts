import { checksOf, classOf } from '@hudrik/core/catalogue';
import fc from 'fast-check';
import { handOut, thingOff } from '../samples';
import { deed, pick, which } from './deed';
import { honestWay } from './honestWay';
import type { World } from './world';

const TURNS = ['out', 'lay-up', 'sell', 'work', 'seen-again'] as const;

/**
 * What somebody saw on a phone off line, and what was done to the unit at the yard before the phone sent it: what arrives last did not happen last.
 */
export const overtaken = fc
  .record({
    phone: fc.nat(1),
    seen: fc.constantFrom('return', 'was-all-right', 'put-right', 'settled'),
    then: fc.constantFrom(...TURNS),
    n: which,
  })
  .map(({ phone: at, seen, then, n }) =>
    deed(`${seen} on phone ${at}, overtaken by ${then} ${n}`, async (world) => {
      const phone = world.phones[at];
      if (phone === undefined || (await honestWay(world)) !== 'fit') return false;
      const found = foundOn(world, n);
      world.later(0.1);
      // Of a whole unit only its return can be looked at; for a look there has to be something.
      if (seen !== 'return') await world.checkIn({}, found.exceptions);
      world.later(0.1);
      world.phone = phone;
      phone.isOffLine = true;
      await look(world, seen);
      world.phone = null;
      phone.isOffLine = false;
      world.later(0.1);
      await turn(world, then, found);
      world.later(0.1);
      for (const send of phone.waiting.splice(0)) await send();
      return true;
    }),
  );

type Found = ReturnType<typeof foundOn>;

/** One thing that a check of its class can find, and what that check looks at. */
function foundOn(world: World, n: number) {
  const checks = checksOf(classOf(world.classId)).filter(({ exceptions }) => exceptions.length > 0);
  const check = pick(checks, n);
  return { system: check?.system, exceptions: { [check?.id ?? '']: check?.exceptions[0]?.id ?? '' } };
}

async function look(world: World, seen: 'return' | 'was-all-right' | 'put-right' | 'settled'): Promise<void> {
  if (seen === 'return') return void (await world.checkIn());
  if (seen === 'settled') return void (await world.checkIn({ settled: await world.settledNow() }));
  const open = await world.defects();
  const figures = await world.figuresFor(open);
  for (const { id: defectId } of open) {
    const figure = figures.find((one) => one.defectId === defectId);
    const measured = figure && { value: figure.value, unit: figure.unit };
    const why = { why: 'Looked', measured, ...(seen === 'put-right' ? {} : await world.second('lead')) };
    await world.onUnit('defect-closed', { defectId, how: seen, ...why }, 'lead');
  }
}

async function turn(world: World, then: (typeof TURNS)[number], { system, exceptions }: Found): Promise<void> {
  if (then === 'seen-again') return void (await world.checkIn({}, exceptions));
  if (then === 'lay-up' || then === 'sell') {
    await (then === 'sell' ? world.edit({ gone: { why: 'No more' } }) : world.layUp());
    world.later(0.1);
    return void (await (then === 'sell' ? world.edit({ gone: null }) : world.wake()));
  }
  if (then === 'out') {
    world.hours += 0.1;
    const typed = world.hours.toFixed(1);
    const dueAt = new Date(world.now.getTime() + 20 * 3_600_000).toISOString();
    return void (await world.onUnit('check-out', handOut(world.classId, typed, { dueAt }), 'counter'));
  }
  const [job] = await world.jobs();
  if (job === undefined) return;
  const jobId = String(job.id);
  const off = thingOff('Cover', system === undefined ? {} : { system });
  await world.enter({ jobId }, 'job-started', {});
  await world.enter({ jobId }, 'taken-off', off);
  world.later(0.1);
  await world.enter({ jobId }, 'put-back', { thingId: off.thingId });
}
