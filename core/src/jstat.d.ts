/** As far as the tests use it: another library to check against. */
declare module 'jstat' {
  const jStat: {
    readonly ibeta: (x: number, a: number, b: number) => number;
    readonly lognormal: {
      readonly cdf: (x: number, mu: number, sigma: number) => number;
      readonly inv: (p: number, mu: number, sigma: number) => number;
    };
    readonly weibull: { readonly cdf: (x: number, scale: number, shape: number) => number };
    readonly beta: { readonly inv: (p: number, a: number, b: number) => number };
    readonly poisson: { readonly cdf: (count: number, mean: number) => number };
  };
  export default jStat;
}
