/**
 * Says how many times a property is tried: a few in each run of the tests, many in `npm run soak`.
 * @param soaked in `npm run soak`
 */
export const runs = (usual: number, soaked: number): number => (process.env['SOAK'] === 'yes' ? soaked : usual);
