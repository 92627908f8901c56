import { z } from 'zod';

export const millimetres = z
  .number('must be a number')
  .positive('must be more than zero')
  .max(2000, 'is absurdly large');
export const smallMillimetres = z
  .number('must be a number')
  .min(0, 'must not be negative')
  .max(100, 'is absurdly large');
