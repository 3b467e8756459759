// jstat ships no types; only what the tests use as an oracle
declare module 'jstat' {
  const jstat: {
    normal: { cdf(x: number, mean: number, sd: number): number }
    stdev(values: readonly number[], ofSample: boolean): number
    models: { ols(y: readonly number[], x: readonly (readonly number[])[]): { coef: readonly number[]; R2: number } }
  }
  export default jstat
}
