declare module 'jstat' {
  const jStat: {
    mean(values: readonly number[]): number;
    /** @param sample whether the values are a sample, so that n - 1 divides */
    stdev(values: readonly number[], sample: boolean): number;
    readonly studentt: { inv(probability: number, degreesOfFreedom: number): number };
  };
  export default jStat;
}
