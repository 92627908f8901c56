import { Controller } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { boxDraftSchema, boxSchema, type BoxDraft } from '@usual-pantry/core/box';
import { recordController } from '../http/record-controller.js';
import type { BoxRow } from './box.entity.js';
import { BoxRecords } from './box.records.js';

@ApiTags('Boxes')
@Controller('api/boxes')
export class BoxController extends recordController<BoxDraft, BoxRow>({
  noun: 'box',
  draft: boxDraftSchema,
  stored: boxSchema,
}) {
  constructor(override readonly records: BoxRecords) {
    super(records);
  }
}
