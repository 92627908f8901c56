import { Injectable, StandardSchemaValidationPipe, type ArgumentMetadata } from '@nestjs/common';
import type { StandardSchemaV1 } from '@standard-schema/spec';
import { wrongAddress, wrongValues } from '../refusal/refused.js';

const wrongOf = (issues: readonly StandardSchemaV1.Issue[]) =>
  issues.map(({ path = [], message }) => ({
    path: path.map((part) => (typeof part === 'object' ? part.key : part)),
    message,
  }));

const bodies = new StandardSchemaValidationPipe({ exceptionFactory: (issues) => wrongValues(wrongOf(issues)) });
const addresses = new StandardSchemaValidationPipe({ exceptionFactory: (issues) => wrongAddress(wrongOf(issues)) });

/** Reads bodies and addresses by their schemas; what is wrong in a body is a 422, what is wrong in an address a 400. */
@Injectable()
export class ValuesPipe extends StandardSchemaValidationPipe {
  override transform<T = unknown>(value: T, metadata: ArgumentMetadata): Promise<T> {
    return (metadata.type === 'body' ? bodies : addresses).transform<T>(value, metadata);
  }
}
