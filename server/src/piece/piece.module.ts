import { Module } from '@nestjs/common';
import { Parts } from '../book/parts.js';
import { Keepers } from '../storage/keeper.js';
import { PieceController } from './piece.controller.js';
import { PieceRow, PieceLayerRow } from './piece.entity.js';
import { pieceMapping, PieceRecords } from './piece.records.js';

/** Pieces, by their forms. */
@Module({
  controllers: [PieceController],
  providers: [PieceRecords],
  exports: [PieceRecords],
})
export class PieceModule {
  static readonly entities = [PieceRow, PieceLayerRow];

  constructor(parts: Parts, keepers: Keepers, records: PieceRecords) {
    parts.addRecords('pieces', pieceMapping);
    keepers.add(records);
  }
}
