import { Controller } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { pieceDraftSchema, pieceSchema, type PieceDraft } from '@usual-pantry/core/piece';
import { recordController } from '../http/record-controller.js';
import type { PieceRow } from './piece.entity.js';
import { PieceRecords } from './piece.records.js';

@ApiTags('Pieces')
@Controller('api/pieces')
export class PieceController extends recordController<PieceDraft, PieceRow>({
  noun: 'piece',
  draft: pieceDraftSchema,
  stored: pieceSchema,
}) {
  constructor(override readonly records: PieceRecords) {
    super(records);
  }
}
