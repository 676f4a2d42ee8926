declare module 'jstat' {
  const jStat: { ibeta(x: number, a: number, b: number): number };
  export default jStat;
}
