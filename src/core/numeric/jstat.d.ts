/** The part of jstat that `distribution.ts` uses; the package ships no types. */
declare module "jstat" {
  interface OneParameter {
    cdf(x: number, a: number): number;
    inv(p: number, a: number): number;
  }
  interface TwoParameters {
    cdf(x: number, a: number, b: number): number;
    inv(p: number, a: number, b: number): number;
  }
  const jStat: {
    readonly normal: TwoParameters;
    readonly studentt: OneParameter;
    readonly chisquare: OneParameter;
    readonly centralF: TwoParameters;
    readonly beta: TwoParameters;
  };
  export default jStat;
}
