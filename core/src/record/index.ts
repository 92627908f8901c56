export { groupBy } from './group.js';
export { LastFew, oncePer, oncePerPair } from './once.js';
export {
  daySchema,
  filedShape,
  idSchema,
  minorSchema,
  nameSchema,
  noteSchema,
  storedShape,
  versionSchema,
} from './schema.js';

export { cleanTexts, foldText, MOST_DEPTH } from './text.js';
export { speakPlainly } from './words.js';
export { type Known, sayPath, under, unknownReferences, type WrongValue } from './wrong.js';
