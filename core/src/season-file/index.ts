export { moveSeason, readSeasonFile } from './read.js';
export { type SeasonFile, seasonFileJsonSchema, seasonFileSchema } from './schema.js';
