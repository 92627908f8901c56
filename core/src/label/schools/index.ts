import type { SchoolCode } from '../../kitchen/index.js';
import type { LabelSchool } from '../school.js';
import { anz } from './anz.js';
import { canada } from './canada.js';
import { eu } from './eu.js';
import { uk } from './uk.js';
import { us } from './us.js';

/** The schools of labels that there are, by the code that a kitchen or an order keeps. */
export const schools = { us, eu, uk, canada, anz } as const satisfies Record<SchoolCode, LabelSchool>;
