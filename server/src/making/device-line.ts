import type { IncomingMessage, Server } from 'node:http';
import type { Duplex } from 'node:stream';
import { Inject, Injectable, type OnApplicationBootstrap, type OnModuleDestroy } from '@nestjs/common';
import { HttpAdapterHost } from '@nestjs/core';
import { readDeviceLines, writeDeviceLine, type DeviceMessage } from '@usual-pantry/core/device';
import { parseCookie } from 'cookie';
import { WebSocketServer, type WebSocket } from 'ws';
import { BENCH_DEVICES, type BenchDevices } from '../device/bench-device.js';
import { SERVED_AT } from '../door/door.controller.js';
import { cookieName } from '../door/door-guard.js';
import { DoorService } from '../door/door.service.js';
import { isOfKitchen, namesOfKitchen } from '../http/guard.js';

const ADDRESS = '/api/devices';
/** A message of a bridge longer than this ends its line. */
const MOST_BYTES = 64 * 1024;
const MOST_LINES = 40;
/** So long a reading that nobody has changed is still told. */
const STANDS_MS = 10 * 60_000;

/**
 * The line between the devices and the pages: newline-delimited JSON over a WebSocket at `/api/devices`. Whatever one end sends that is a
 * message of a device goes to every other end, so that a bridge to a real device is just another end; the rest is passed over.
 */
@Injectable()
export class DeviceLine implements OnApplicationBootstrap, OnModuleDestroy {
  private readonly sockets = new WebSocketServer({ noServer: true, maxPayload: MOST_BYTES });
  private readonly ends: (() => void)[] = [];
  /** What the scale and the hygrometer said last. */
  private readonly standing = new Map<'scale' | 'hygrometer', { readonly text: string; readonly heardAt: number }>();

  constructor(
    private readonly host: HttpAdapterHost,
    @Inject(BENCH_DEVICES) private readonly devices: BenchDevices,
    @Inject(SERVED_AT) private readonly servedAt: () => readonly string[],
    private readonly door: DoorService,
  ) {}

  onApplicationBootstrap(): void {
    const server = this.host.httpAdapter.getHttpServer() as Server;
    server.on('upgrade', (request: IncomingMessage, socket: Duplex, head: Buffer) => {
      const isHere = request.url?.split('?')[0] === ADDRESS;
      if (!isHere || this.sockets.clients.size >= MOST_LINES || !this.mayOpen(request)) {
        socket.end('HTTP/1.1 403 Forbidden\r\nConnection: close\r\n\r\n');
        return;
      }
      this.sockets.handleUpgrade(request, socket, head, (line) => {
        this.take(line);
      });
    });
    const { probe, scale, hygrometer } = this.devices;
    const tell = (message: DeviceMessage) => {
      this.pass(message, null);
    };
    this.ends.push(probe.listen(tell), scale.listen(tell), hygrometer.listen(tell));
  }

  /** Only the maker's own pages and bridges open a line, under a name of this kitchen: as for every other request. */
  private mayOpen({ headers }: IncomingMessage): boolean {
    const { host = '', origin, cookie = '' } = headers;
    const names = namesOfKitchen(this.servedAt().map((address) => new URL(address).hostname));
    const cookies = parseCookie(cookie);
    // A proxy in front may speak TLS where this server does not.
    const token = cookies[cookieName(true)] ?? cookies[cookieName(false)];
    return isOfKitchen(host, origin, names) && this.door.visitorOf(token)?.role === 'maker';
  }

  /**
   * What comes from one end goes to all others. A new end hears at once what stands on the scale and what the room is like: a device that speaks
   * only when something changes may have spoken a moment before.
   */
  private take(line: WebSocket): void {
    for (const { text, heardAt } of this.standing.values()) if (Date.now() - heardAt < STANDS_MS) line.send(text);
    let rest: string | null = '';
    line.on('message', (data, isBinary) => {
      if (isBinary) return;
      const read = readDeviceLines(rest, (data as Buffer).toString('utf8'));
      ({ rest } = read);
      for (const message of read.messages) this.pass(message, line);
    });
    // A line that breaks off is opened again by whoever wants it.
    line.on('error', () => {
      line.terminate();
    });
  }

  private pass(message: DeviceMessage, from: WebSocket | null): void {
    const text = writeDeviceLine(message);
    if (message.device !== 'probe') this.standing.set(message.device, { text, heardAt: Date.now() });
    for (const line of this.sockets.clients) if (line !== from && line.readyState === line.OPEN) line.send(text);
  }

  onModuleDestroy(): void {
    for (const end of this.ends) end();
    for (const line of this.sockets.clients) line.terminate();
    this.sockets.close();
  }
}
