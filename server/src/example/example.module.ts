import { Module, type DynamicModule } from '@nestjs/common';
import { EXAMPLE, ExampleKitchen, type ExampleSetup } from './example-kitchen.js';
import { ExampleController } from './example.controller.js';

/** A kitchen of invented data beside one's own. */
@Module({})
export class ExampleModule {
  static with(setup: ExampleSetup): DynamicModule {
    return {
      module: ExampleModule,
      controllers: [ExampleController],
      providers: [{ provide: EXAMPLE, useValue: setup }, ExampleKitchen],
    };
  }
}
