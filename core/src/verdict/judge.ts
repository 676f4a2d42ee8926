import {
  CONSEQUENCES,
  JUDGEMENT,
  type Check,
  type Complaint,
  type Condition,
  type Consequence,
  type DerivedFinding,
  type FactName,
  type JobKind,
  type RaisedWork,
  type Shown,
} from '../catalogue/shapes';
import { findingOfAnswer, type Answer, type Finding, type Origin } from './answers';

export interface MissingKit {
  readonly id: string;
  readonly name: string;
  readonly count: number;
  readonly priceCents: number;
}

export interface JudgeInput {
  readonly edition: string;
  readonly checks: readonly Check[];
  readonly complaints: readonly Complaint[];
  readonly derived: readonly DerivedFinding[];
  readonly answers: readonly Answer[];
  /** What is done about an engine that does not start. */
  readonly findFault?: RaisedWork;
  /** Ids of complaints the hirer made. */
  readonly complaintIds: readonly string[];
  readonly missing: readonly MissingKit[];
  readonly facts: Readonly<Partial<Record<FactName, number>>>;
}

export type VerdictResult = 'fit' | 'prep' | 'held';

export interface Reason {
  readonly origin: Origin;
  readonly consequence: Consequence;
  readonly sentence: string;
  readonly caution?: string | undefined;
  /** It can hurt somebody: nobody may wave it through. Older verdicts do not say. */
  readonly safety?: boolean | undefined;
}

export interface RaisedJob {
  readonly kind: JobKind;
  readonly work: string;
  readonly title: string;
  readonly minutes: number;
  readonly blocks: 'hold' | 'prep' | 'none';
  readonly origins: readonly Origin[];
}

export interface Verdict {
  readonly result: VerdictResult;
  readonly edition: string;
  readonly reasons: readonly Reason[];
  readonly jobs: readonly RaisedJob[];
  readonly bill: readonly MissingKit[];
  readonly shows: readonly Shown[];
}

/**
 * Whether a unit that was looked at may be hired, why, and what work follows.
 * In: the class's checks, what was answered, the complaints, what is missing, and numbers about the unit. A check without an answer counts as
 * not looked at. Out: the verdict; the worst consequence decides (hold: held; fix before hire: prep; else fit); reasons worst
 * first, derived before plain, safety before ordinary; findings that raise the same work share one job.
 * Throws on an answer or complaint that the lists do not hold. The same input gives the same verdict for ever: keep the edition.
 * Source: common practice. Example: oil over-full and smelling of fuel is one reason, "Fuel in the oil. Do not start it…", held.
 */
export function judge(input: JudgeInput): Verdict {
  const plain = [...fromAnswers(input), ...fromComplaints(input), ...fromMissing(input)];
  const shows = plain.flatMap((finding) => (finding.shows ? [finding.shows] : []));
  const derived = input.derived.filter((rule) => rule.when.every((condition) => holds(condition, shows, input.facts)));
  const replaced = derived.flatMap((rule) => rule.replaces ?? []);
  const kept = plain.filter((finding) => !replaced.some((shown) => same(shown, finding.shows)));
  const findings = inOrder([...derived.map((rule) => ofRule(rule, input.facts)), ...kept]);
  return {
    result: resultOf(findings),
    edition: input.edition,
    reasons: findings.map(({ origin, consequence, sentence, caution, safety }) => ({
      origin,
      consequence,
      sentence,
      ...(caution ? { caution } : {}),
      ...(safety ? { safety } : {}),
    })),
    jobs: jobsOf(findings),
    bill: input.missing,
    shows: [...shows, ...healthyShows(input)],
  };
}

function fromAnswers(input: JudgeInput): Finding[] {
  const known = new Set(input.checks.map((check) => check.id));
  const stray = input.answers.find((answer) => !known.has(answer.check));
  if (stray !== undefined) throw new Error(`No such check here: ${stray.check}`);
  return input.checks.flatMap((check) => {
    const answer = input.answers.find((entry) => entry.check === check.id) ?? {
      check: check.id,
      result: 'could-not-look',
    };
    return findingOfAnswer(check, answer, input.findFault) ?? [];
  });
}

function fromComplaints(input: JudgeInput): Finding[] {
  return input.complaintIds.map((id) => {
    const complaint = input.complaints.find((entry) => entry.id === id);
    if (complaint === undefined) throw new Error(`No such complaint here: ${id}`);
    const { consequence, sentence, raises, shows, safety = false } = complaint;
    return { origin: { kind: 'told', id }, consequence, sentence, safety, raises, shows };
  });
}

const fromMissing = (input: JudgeInput): Finding[] =>
  input.missing.map(({ id, name, count }) => ({
    origin: { kind: 'kit', id },
    consequence: 'bill',
    sentence: count > 1 ? `Missing: ${count} × ${name.toLowerCase()}.` : `Missing: ${name.toLowerCase()}.`,
    safety: false,
    raises: { kind: 'prep', work: 'restock-kit', title: 'Put the missing kit back', minutes: 5, source: JUDGEMENT },
  }));

function healthyShows(input: JudgeInput): Shown[] {
  return input.answers.flatMap((answer) => {
    const shown = input.checks.find((check) => check.id === answer.check)?.showsWhenOk;
    return answer.result === 'ok' && shown !== undefined ? [shown] : [];
  });
}

const same = (a: Shown, b: Shown | undefined): boolean => a.observation === b?.observation && a.outcome === b.outcome;

function holds(condition: Condition, shows: readonly Shown[], facts: JudgeInput['facts']): boolean {
  if ('shown' in condition) return shows.some((shown) => same(condition.shown, shown));
  const value = facts[condition.fact];
  if (value === undefined) return false;
  return 'below' in condition ? value < condition.below : value >= condition.atLeast;
}

const isFact = (name: string, facts: JudgeInput['facts']): name is FactName => Object.hasOwn(facts, name);

function ofRule(rule: DerivedFinding, facts: JudgeInput['facts']): Finding {
  const sentence = rule.sentence.replaceAll(/\{(\w+)\}/g, (_, name: string) =>
    String(Math.abs(isFact(name, facts) ? (facts[name] ?? 0) : 0)),
  );
  const { consequence, raises, caution, safety = false } = rule;
  return { origin: { kind: 'derived', id: rule.id }, consequence, sentence, safety, raises, caution };
}

function inOrder(findings: readonly Finding[]): Finding[] {
  const rank = (finding: Finding) =>
    CONSEQUENCES.indexOf(finding.consequence) * 4 + (finding.origin.kind === 'derived' ? 0 : finding.safety ? 1 : 2);
  return findings
    .map((finding, at) => ({ finding, at }))
    .sort((a, b) => rank(a.finding) - rank(b.finding) || a.at - b.at)
    .map(({ finding }) => finding);
}

/** A bill alone does not stop a unit; the work that goes with it does. */
function resultOf(findings: readonly Finding[]): VerdictResult {
  const blocks = findings.map((finding) =>
    finding.consequence === 'bill' && !finding.raises ? 'none' : BLOCKS[finding.consequence],
  );
  return blocks.includes('hold') ? 'held' : blocks.includes('prep') ? 'prep' : 'fit';
}

const BLOCKS = { hold: 'hold', 'fix-before-hire': 'prep', bill: 'prep', note: 'none' } as const;

const jobOf = ({ kind, work, title, minutes }: RaisedWork, consequence: Consequence, origin: Origin): RaisedJob => ({
  kind,
  work,
  title,
  minutes,
  blocks: BLOCKS[consequence],
  origins: [origin],
});

function jobsOf(findings: readonly Finding[]): RaisedJob[] {
  const jobs = new Map<string, RaisedJob>();
  for (const { raises, origin, consequence } of findings) {
    if (raises === undefined) continue;
    const before = jobs.get(raises.work);
    // Findings come worst first, so the first one decides what the job blocks.
    jobs.set(
      raises.work,
      before
        ? { ...before, origins: [...before.origins, origin], minutes: Math.max(before.minutes, raises.minutes) }
        : jobOf(raises, consequence, origin),
    );
  }
  return [...jobs.values()];
}
