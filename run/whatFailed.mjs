/** Where the runners begin to say what failed. */
const BEGINS = /^\s*not ok \d+|^\s*● .+ › |^\s+\d+\) \[|\berror(\[| TS)|^\s*[x×] /;
const LINES_EACH = 25;
const MOST = 6;

/** The lines of a runner's output that say what failed, short enough to be read at the end of a log; the last ones where none do. */
export function whatFailed(said) {
  const lines = said.split('\n');
  const heads = new Map();
  lines.forEach((line, at) => {
    if (BEGINS.test(line) && !heads.has(line.trim())) heads.set(line.trim(), at);
  });
  const from = [...heads.values()].slice(0, MOST);
  if (from.length === 0) return lines.slice(-LINES_EACH).join('\n');
  return from
    .map((at, n) => lines.slice(at, Math.min(at + LINES_EACH, from[n + 1] ?? lines.length)).join('\n'))
    .join('\n…\n');
}
