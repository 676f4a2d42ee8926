import { randomUUID } from 'node:crypto';
import { EVERY_PROOF, folderOf } from '@hudrik/core/catalogue';
import type { CardFacts, CardKind } from '@hudrik/core/card';
import type { CardReply, Role } from '@hudrik/core/contracts';
import type { TestYard } from './yard';

/** One more entry on a card, as a device sends it. */
export const enter = <K extends CardKind>(
  yard: TestYard,
  jobId: string,
  kind: K,
  facts: CardFacts[K],
  as: Role = 'technician',
  id: string = randomUUID(),
): Promise<Response> => yard.ask('POST', `/api/jobs/${jobId}/entries`, { as, body: { id, kind, facts } });

export const cardIn = async (yard: TestYard, jobId: string): Promise<CardReply> =>
  (await (await yard.ask('GET', `/api/jobs/${jobId}/card`, { as: 'technician' })).json()) as CardReply;

const middle = (least = 0, most = least * 2 || 1): number => (least + most) / 2;

/** The whole run of a proof, all well but for what is said otherwise; the yard's clock goes on meanwhile. Out: the last answer. */
export async function prove(
  yard: TestYard,
  jobId: string,
  classId: string,
  { passed = true, minutes = 31, values = {} as Readonly<Record<string, number>> } = {},
): Promise<Response> {
  const plan = folderOf(classId).proof;
  await enter(yard, jobId, 'to-proof', {});
  await enter(yard, jobId, 'leak-look', { dry: true, note: '' });
  await enter(yard, jobId, 'smoke', { clear: true });
  await enter(yard, jobId, 'proof-load', { load: plan.loads[0]?.id ?? null });
  await enter(yard, jobId, 'run-started', {});
  yard.later(minutes / 60);
  for (const { id, least, most } of plan.readings)
    await enter(yard, jobId, 'proof-reading', { reading: id, value: values[id] ?? middle(least, most), live: false });
  for (const { id } of [...plan.looks, ...EVERY_PROOF]) await enter(yard, jobId, 'proof-look', { look: id, ok: true });
  await enter(yard, jobId, 'run-stopped', { why: '' });
  return enter(yard, jobId, 'proved', { passed, note: 'Runs well' });
}
