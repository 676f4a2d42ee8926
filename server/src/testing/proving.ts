import { folderOf, PROOF_LOOKS } from '@hudrik/core/catalogue';
import type { CardReply, Role } from '@hudrik/core/contracts';
import { cardOf, type CardKind, type Facts } from '@hudrik/core/log';
import { MINUTES_TO_SETTLE, proofSettingOf, systemsOf, type ProofSetting } from '@hudrik/core/proof';
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

/** All that the begun jobs of a visit are there for, as a signer who has looked at each of them names it. */
const looksOf = async (yard: TestYard, jobId: string): Promise<string[]> =>
  (await cardIn(yard, jobId)).jobs
    .filter((job) => job.state === 'open')
    .flatMap((job) => job.defects.map((defect) => defect.id));

/** A job that ends with a look, signed by somebody who has looked. */
export async function signOff(yard: TestYard, jobId: string, as: Role = 'technician', note = ''): Promise<Response> {
  const { job } = await cardIn(yard, jobId);
  return yard.enter({ jobId }, 'job-finished', { note, looks: job.defects.map((defect) => defect.id) }, as);
}

/** Every step of the visit's begun jobs is ticked. */
async function tickAll(yard: TestYard, jobId: string): Promise<void> {
  const { entries, jobs } = await cardIn(yard, jobId);
  const isOpen = (id: string | null | undefined): boolean => jobs.some((job) => job.id === id && job.state === 'open');
  for (const step of cardOf(entries).steps.filter((one) => one.state === 'to-do' && isOpen(one.jobId)))
    await onCard(yard, step.jobId ?? jobId, 'step-done', { stepId: step.stepId });
}

interface Proving {
  readonly passed?: boolean;
  readonly minutes?: number;
  readonly values?: Readonly<Record<string, number>>;
  readonly ticks?: boolean;
  /** What was done since something was said not to be right. */
  readonly did?: string;
  /** What the signature says of all that the jobs are there for. */
  readonly sign?: (looks: readonly string[]) => Partial<Facts<'proved'>>;
}

/** The whole proof of what a visit asks, all well but for what is said otherwise; the yard's clock goes on meanwhile. Out: the last answer. */
export async function prove(
  yard: TestYard,
  jobId: string,
  { passed = true, minutes, values = {}, ticks = true, did, sign = (looks) => ({ looks: [...looks] }) }: Proving = {},
): Promise<Response> {
  const enter = <K extends CardKind>(kind: K, facts: Facts<K>) => onCard(yard, jobId, kind, facts);
  await yard.enter({ jobId }, 'job-started', {});
  if (ticks) await tickAll(yard, jobId);
  const { unit, needs, complaint, entries, ratings } = await cardIn(yard, jobId);
  const setting = proofSettingOf({
    folder: folderOf(unit.classId),
    known: PROOF_LOOKS,
    needs,
    complaint: { ...complaint, afterMinutes: complaint.afterMinutes ?? null },
    systems: systemsOf(cardOf(entries).ledger),
    ...ratings,
  });
  await enter('to-proof', {});
  if (setting.needs.includes('leak')) await enter('leak-look', { dry: true, note: '', did });
  if (setting.minutes > 0) {
    await enter('proof-load', loadOf(setting));
    await enter('run-started', {});
    await enter('smoke', { clear: true });
    yard.later((minutes ?? setting.minutes + 1) / 60);
    for (const { id, unit: measuredIn, least, most } of setting.plan.readings) {
      const value = values[id] ?? middle(least, most);
      await enter('proof-reading', { reading: asReading(id), value, unit: measuredIn, live: false });
    }
    await enter('run-stopped', { why: '' });
  }
  // The oil has run back.
  if (setting.looks.some(({ from }) => from === 'five-after')) yard.later(MINUTES_TO_SETTLE.value / 60);
  for (const { id } of setting.looks) await enter('proof-look', { look: id, ok: true, did });
  return enter('proved', { passed, note: 'Runs well', ...(passed ? sign(await looksOf(yard, jobId)) : {}) });
}

/** What a class is loaded with, set to what can be set. */
export const loadOf = ({ plan: { loads } }: Pick<ProofSetting, 'plan'>): Facts<'proof-load'> => ({
  load: loads[0].id,
  figure: { value: (loads[0].figure.least + loads[0].figure.most) / 2, unit: loads[0].figure.unit },
});

type ReadingId = Facts<'proof-reading'>['reading'];
const asReading = (id: string): ReadingId => id as ReadingId;
