// jstat ships no types; only what the tests use as an oracle
declare module 'jstat' {
  const jstat: { normal: { cdf(x: number, mean: number, sd: number): number } }
  export default jstat
}
