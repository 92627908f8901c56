import { answerJobs } from '../thread/answer.js';
import { labelPdf, type LabelJob } from './label-pdf.js';

answerJobs<LabelJob, Uint8Array>((job, tell) => labelPdf(job, tell));
