import { Body, Controller, Delete, Get, HttpCode, Inject, Param, Post, Put, Req, Res } from '@nestjs/common';
import { ApiOperation, ApiParam, ApiResponse, ApiTags } from '@nestjs/swagger';
import {
  devicesSchema,
  doorSchema,
  makeCodeSchema,
  pairingCodeSchema,
  pairSchema,
  setPassphraseSchema,
  signInSchema,
  type DevicesAnswer,
  type DoorAnswer,
  type MakeCode,
  type Pair,
  type PairingCode,
  type SetPassphrase,
  type SignIn,
} from '@usual-pantry/core/api';
import type { Request, Response } from 'express';
import { Answers, AnswersNothing, Takes } from '../http/contract.js';
import { Audit } from './audit.js';
import { cookieName, visitorAt } from './door-guard.js';
import { DoorService, IDLE_MS } from './door.service.js';
import { visitor } from './visitor.js';

/** The addresses at which other devices find this kitchen. */
export const SERVED_AT = Symbol('SERVED_AT');

@ApiTags('Door')
@Controller('api/door')
export class DoorController {
  constructor(
    private readonly door: DoorService,
    private readonly audit: Audit,
    @Inject(SERVED_AT) private readonly servedAt: () => readonly string[],
  ) {}

  @Get()
  @ApiOperation({ summary: 'Whether one has to sign in here, and as who one has' })
  @Answers(doorSchema)
  show(@Res({ passthrough: true }) response: Response): DoorAnswer {
    const who = visitorAt(response);
    return {
      isLocked: this.door.isLocked,
      hasPassphrase: this.door.hasPassphrase,
      visitor: who && { role: who.role, name: who.name },
    };
  }

  @Post('sign-in')
  @HttpCode(204)
  @ApiOperation({ summary: 'Lets a device in with the passphrase; it is known by a cookie from then on' })
  @Takes(signInSchema)
  @AnswersNothing()
  @ApiResponse({ status: 401, description: 'Not the passphrase' })
  @ApiResponse({ status: 429, description: 'Too many tries' })
  async signIn(
    @Body({ schema: signInSchema }) { passphrase, name }: SignIn,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<void> {
    setToken(request, response, await this.door.signIn(passphrase, name, addressOf(request)));
  }

  @Post('pair')
  @HttpCode(204)
  @ApiOperation({
    summary: 'Lets a device in with a code from one that is signed in; a code holds for minutes and once',
  })
  @Takes(pairSchema)
  @AnswersNothing()
  @ApiResponse({ status: 401, description: 'No such code' })
  @ApiResponse({ status: 429, description: 'Too many tries' })
  async pair(
    @Body({ schema: pairSchema }) { code }: Pair,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<void> {
    setToken(request, response, await this.door.pair(code, addressOf(request)));
  }

  @Post('sign-out')
  @HttpCode(204)
  @ApiOperation({ summary: 'Lets this device out' })
  @AnswersNothing()
  signOut(@Req() request: Request, @Res({ passthrough: true }) response: Response): void {
    const { sessionId } = visitor();
    if (sessionId !== null) this.door.remove(sessionId, 'signed out');
    response.clearCookie(cookieName(request.secure), cookieOf(request));
  }

  @Put('passphrase')
  @HttpCode(204)
  @ApiOperation({ summary: 'Sets the passphrase; every other device must sign in again' })
  @Takes(setPassphraseSchema)
  @AnswersNothing()
  setPassphrase(@Body({ schema: setPassphraseSchema }) { passphrase, old }: SetPassphrase): Promise<void> {
    return this.door.setPassphrase(passphrase, old, visitor().sessionId);
  }

  @Get('devices')
  @ApiOperation({ summary: 'Devices that are let in, and what was written down of comings and goings' })
  @Answers(devicesSchema)
  devices(): DevicesAnswer {
    const { sessionId } = visitor();
    return {
      devices: this.door.devices().map((device) => ({ ...device, isThis: device.id === sessionId })),
      audit: this.audit.newest(),
    };
  }

  @Delete('devices/:id')
  @HttpCode(204)
  @ApiOperation({ summary: 'Lets a device out' })
  @ApiParam({ name: 'id', schema: { type: 'string' } })
  @AnswersNothing()
  remove(@Param('id') id: string): void {
    this.door.remove(id, 'device removed');
  }

  @Post('codes')
  @ApiOperation({
    summary: 'A code with which one device can come in within minutes, with a picture of each address to scan',
  })
  @Takes(makeCodeSchema)
  @Answers(pairingCodeSchema, 201)
  async makeCode(@Body({ schema: makeCodeSchema }) { role, name }: MakeCode): Promise<PairingCode> {
    const { toSVG } = await import('bwip-js/node');
    const { code, until } = this.door.makeCode(role, name);
    const addresses = this.servedAt().map((address) => {
      // Behind the # it is sent to nobody, and stands in no log.
      const url = `${address}/pair#${code}`;
      return { url, picture: toSVG({ bcid: 'qrcode', text: url, scale: 3, paddingwidth: 4, paddingheight: 4 }) };
    });
    return { code, until, addresses };
  }
}

/** The address of whoever tries; what a header says is believed of a proxy on this computer only. */
const addressOf = (request: Request): string => request.ip ?? 'unknown';

const cookieOf = (request: Request) =>
  ({ httpOnly: true, sameSite: 'strict', secure: request.secure, path: '/' }) as const;

function setToken(request: Request, response: Response, token: string): void {
  response.cookie(cookieName(request.secure), token, { ...cookieOf(request), maxAge: IDLE_MS });
}
