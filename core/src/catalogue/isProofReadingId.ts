import { PROOF_READING_IDS } from './ids';

export type ProofReadingId = (typeof PROOF_READING_IDS)[number];
export const isProofReadingId = (text: string): text is ProofReadingId => PROOF_READING_IDS.some((id) => id === text);
