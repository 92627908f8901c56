import type { LabelLayout } from '@usual-pantry/core/label';
import { answerJobs } from '../thread/answer.js';
import { labelPdf } from './label-pdf.js';

/** Labels to put into a PDF. */
export interface LabelJob {
  readonly layout: LabelLayout;
  readonly title: string;
  readonly copies: number;
}

answerJobs<LabelJob, Uint8Array>(({ layout, title, copies }) => labelPdf(layout, title, copies));
