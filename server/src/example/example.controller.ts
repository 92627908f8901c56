import { Controller, Delete, Get, HttpCode, Post } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { exampleSchema, type ExampleAnswer } from '@usual-pantry/core/api';
import { Answers } from '../http/contract.js';
import { ExampleKitchen } from './example-kitchen.js';

@ApiTags('Example kitchen')
@Controller('api/example')
export class ExampleController {
  constructor(private readonly example: ExampleKitchen) {}

  @Get()
  @ApiOperation({ summary: 'Whether an example kitchen is offered, and whether it is loaded' })
  @Answers(exampleSchema)
  show(): ExampleAnswer {
    return this.example.state();
  }

  @Post()
  @HttpCode(200)
  @ApiOperation({
    summary:
      'Loads the example kitchen beside one’s own: its API answers below /api/example/kitchen, its pages below /example',
  })
  @Answers(exampleSchema)
  load(): Promise<ExampleAnswer> {
    return this.example.load();
  }

  @Delete()
  @ApiOperation({ summary: 'Removes the example kitchen without a trace' })
  @Answers(exampleSchema)
  remove(): Promise<ExampleAnswer> {
    return this.example.remove();
  }
}
