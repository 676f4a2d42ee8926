import { CLOCKS, folderOf, PROOF_LOOKS, type ClassId } from '@hudrik/core/catalogue';
import type { CardReply } from '@hudrik/core/contracts';
import { cardOf, type Facts } from '@hudrik/core/log';
import { proofSettingOf, systemsOf, type ProofSetting } from '@hudrik/core/proof';

/** What a proof of this card asks. */
export const settingOf = (card: CardReply, classId: ClassId): ProofSetting =>
  proofSettingOf({
    folder: folderOf(classId),
    known: PROOF_LOOKS,
    needs: card.needs,
    complaint: { ...card.complaint, afterMinutes: card.complaint.afterMinutes ?? null },
    systems: systemsOf(cardOf(card.entries).ledger),
    ...card.ratings,
  });

type ReadingId = Facts<'proof-reading'>['reading'];
export const asReading = (id: string): ReadingId => id as ReadingId;

/** The result of such a clock that says that all is well. */
export const goodResult = (clock: string): string => {
  const results = Object.entries(CLOCKS[clock as keyof typeof CLOCKS].results);
  return results.find(([, [, isGood]]) => isGood)?.[0] ?? 'stopped';
};
