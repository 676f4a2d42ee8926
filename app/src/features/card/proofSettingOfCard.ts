import { folderOf, PROOF_LOOKS } from '@hudrik/core/catalogue';
import type { CardReply } from '@hudrik/core/contracts';
import { cardOf, type Entry } from '@hudrik/core/log';
import { proofSettingOf, systemsOf, type ProofSetting } from '@hudrik/core/proof';

/** What the proof of this card asks, with what was taken off here and is not sent yet. */
export const proofSettingOfCard = (
  { unit, needs, complaint, ratings }: CardReply,
  entries: readonly Entry[],
): ProofSetting =>
  proofSettingOf({
    folder: folderOf(unit.classId),
    known: PROOF_LOOKS,
    needs,
    complaint: { ...complaint, afterMinutes: complaint.afterMinutes ?? null },
    systems: systemsOf(cardOf(entries).ledger),
    ...ratings,
  });
