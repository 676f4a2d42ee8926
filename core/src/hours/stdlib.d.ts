declare module '@stdlib/stats-base-dists-negative-binomial-cdf' {
  export default function cdf(x: number, successes: number, probability: number): number;
}
