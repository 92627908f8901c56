import { Global, Module, type DynamicModule } from '@nestjs/common';
import { APP_INTERCEPTOR } from '@nestjs/core';
import { Audit } from './audit.js';
import { DoorController, SERVED_AT } from './door.controller.js';
import { DOOR_LOCKED, DoorService } from './door.service.js';
import { VisitorInterceptor } from './visitor.interceptor.js';

/** Who may come in, and what was noted of them. */
@Global()
@Module({})
export class DoorModule {
  /** @param servedAt the addresses under which the server answers, once it does */
  static with(isLocked: boolean, servedAt: () => readonly string[]): DynamicModule {
    return {
      module: DoorModule,
      controllers: [DoorController],
      providers: [
        { provide: DOOR_LOCKED, useValue: isLocked },
        { provide: SERVED_AT, useValue: servedAt },
        Audit,
        DoorService,
        { provide: APP_INTERCEPTOR, useClass: VisitorInterceptor },
      ],
      exports: [Audit, DoorService, SERVED_AT],
    };
  }
}
