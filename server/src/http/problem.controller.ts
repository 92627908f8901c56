import { Controller, Get, Param } from '@nestjs/common';
import { ApiOperation, ApiParam, ApiTags } from '@nestjs/swagger';
import { problemKindSchema, problemKindsSchema } from '@usual-pantry/core/api';
import { Answers } from './contract.js';
import { notFound } from '../refusal/refused.js';
import { isProblemCode, problems, problemType, type ProblemCode } from '../refusal/problems.js';

const described = (code: ProblemCode) => ({ type: problemType(code), code, ...problems[code] });

@ApiTags('Problems')
@Controller('api/problems')
export class ProblemController {
  @Get()
  @ApiOperation({ summary: 'Every kind of refusal: its status, what is safe, and what to do' })
  @Answers(problemKindsSchema)
  list() {
    return (Object.keys(problems) as ProblemCode[]).map(described);
  }

  @Get(':code')
  @ApiOperation({ summary: 'One kind of refusal' })
  @ApiParam({ name: 'code', schema: { type: 'string' } })
  @Answers(problemKindSchema)
  get(@Param('code') code: string) {
    if (!isProblemCode(code)) throw notFound('problem', code);
    return described(code);
  }
}
