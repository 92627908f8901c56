import type { LabelSchool } from '../school.js';
import { us } from './us.js';

/** The schools of labels that there are. */
export const schools = { us } as const satisfies Record<string, LabelSchool>;
