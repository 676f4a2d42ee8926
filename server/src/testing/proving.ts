import { EVERY_PROOF, folderOf } from '@hudrik/core/catalogue';
import type { CardReply, Role } from '@hudrik/core/contracts';
import type { CardKind, Facts } from '@hudrik/core/log';
import type { TestYard } from './yard';

/** One more entry on a card, as a device sends it. */
export const onCard = <K extends CardKind>(
  yard: TestYard,
  jobId: string,
  kind: K,
  facts: Facts<K>,
  as: Role = 'technician',
  id?: string,
): Promise<Response> => yard.enter({ jobId, ...(id === undefined ? {} : { id }) }, kind, facts, as);

export const cardIn = (yard: TestYard, jobId: string): Promise<CardReply> =>
  yard.read<CardReply>(`/api/jobs/${jobId}/card`);

const middle = (least = 0, most = least * 2 || 1): number => (least + most) / 2;

/** All that a job is there for, as a signer who has looked at each of them names it. */
const looksOf = async (yard: TestYard, jobId: string): Promise<string[]> =>
  (await cardIn(yard, jobId)).job.defects.map((defect) => defect.id);

/** A job that ends with a look, signed by somebody who has looked. */
export const signOff = async (yard: TestYard, jobId: string, as: Role = 'technician', note = ''): Promise<Response> =>
  yard.enter({ jobId }, 'job-finished', { note, looks: await looksOf(yard, jobId) }, as);

/** The whole run of a proof, all well but for what is said otherwise; the yard's clock goes on meanwhile. Out: the last answer. */
export async function prove(
  yard: TestYard,
  jobId: string,
  classId: string,
  { passed = true, minutes = 31, values = {} as Readonly<Record<string, number>> } = {},
): Promise<Response> {
  const plan = folderOf(classId).proof;
  const enter = <K extends CardKind>(kind: K, facts: Facts<K>) => onCard(yard, jobId, kind, facts);
  await enter('to-proof', {});
  await enter('leak-look', { dry: true, note: '' });
  await enter('smoke', { clear: true });
  await enter('proof-load', { load: plan.loads[0]?.id ?? null });
  await enter('run-started', {});
  yard.later(minutes / 60);
  for (const { id, unit, least, most } of plan.readings) {
    const value = values[id] ?? middle(least, most);
    await enter('proof-reading', { reading: asReading(id), value, unit, live: false });
  }
  for (const { id } of [...plan.looks, ...EVERY_PROOF]) await enter('proof-look', { look: id, ok: true });
  await enter('run-stopped', { why: '' });
  return enter('proved', { passed, note: 'Runs well', looks: passed ? await looksOf(yard, jobId) : [] });
}

type ReadingId = Facts<'proof-reading'>['reading'];
const asReading = (id: string): ReadingId => id as ReadingId;
