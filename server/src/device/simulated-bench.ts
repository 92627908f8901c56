import { Injectable, type OnModuleDestroy } from '@nestjs/common';
import type { Simulate } from '@usual-pantry/core/api';
import {
  cookFor,
  fairProbe,
  readProbe,
  type Addition,
  type Heating,
  type PotState,
  type ProbeFaults,
} from '@usual-pantry/core/cooking';
import type { DeviceMessage } from '@usual-pantry/core/device';
import type { BenchDevice, BenchDevices } from './bench-device.js';

const READS_EVERY_MS = 500;
/** What nobody cooks any more is forgotten, simulated seconds. */
const FORGETS_SECONDS = 3 * 3600;
const USUAL = { lossPerKelvin: 0.8, roomCelsius: 21, potJoulesPerKelvin: 550, humidity: 45 } as const;
/** How long something takes to go in and melt, s. */
const GOES_IN_SECONDS = 12;

type OnTheHeat = Extract<Simulate, { what: 'on the heat' }>;

/** A pot on the heat of nobody. */
interface Cook {
  readonly began: number;
  readonly watts: number;
  readonly offsetKelvin: number;
  readonly speed: number;
  heating: Heating;
  state: PotState;
  bulb: number;
  additions: readonly Addition[];
}

class Told<Message extends DeviceMessage> implements BenchDevice<Message> {
  private readonly listeners = new Set<(message: Message) => void>();

  listen(tell: (message: Message) => void): () => void {
    this.listeners.add(tell);
    return () => this.listeners.delete(tell);
  }

  tell(message: Message): void {
    for (const tell of this.listeners) tell(message);
  }
}

type MessageOf<Kind extends DeviceMessage['device']> = Extract<DeviceMessage, { device: Kind }>;

/**
 * The stand-ins for devices at the bench: a pot that follows the cook curve with a probe in it that scatters, lags and drops out, a scale
 * and a hygrometer. They read nothing until they are told what stands on them.
 */
@Injectable()
export class SimulatedBench implements BenchDevices, OnModuleDestroy {
  readonly probe = new Told<MessageOf<'probe'>>();
  readonly scale = new Told<MessageOf<'scale'>>();
  readonly hygrometer = new Told<MessageOf<'hygrometer'>>();
  private cook: Cook | null = null;
  private faults: ProbeFaults = fairProbe;
  private timer: NodeJS.Timeout | null = null;

  /** Does something to what is simulated. */
  do(command: Simulate): void {
    const at = new Date().toISOString();
    switch (command.what) {
      case 'on the heat':
        this.putOn(command);
        break;
      case 'goes in':
        if (this.cook) {
          const { contents, celsius } = command;
          const addition = { atSeconds: this.cook.state.seconds, overSeconds: GOES_IN_SECONDS, celsius, contents };
          this.cook.additions = [...this.cook.additions, addition];
        }
        break;
      case 'heat':
        if (this.cook) this.cook.heating = { ...this.cook.heating, watts: this.cook.watts * command.share };
        break;
      case 'off the heat':
        this.stop();
        break;
      case 'on the scale':
        this.scale.tell({ device: 'scale', at, grams: command.grams, stable: true });
        break;
      case 'room':
        this.hygrometer.tell({ device: 'hygrometer', at, celsius: command.celsius, humidity: command.humidity });
        break;
      case 'probe':
        this.faults = { ...this.faults, ...command };
        break;
    }
  }

  private putOn({ contents, watts, waterBoils, celsius, offsetKelvin, speed }: OnTheHeat): void {
    this.stop();
    this.cook = {
      began: Date.now(),
      watts,
      offsetKelvin,
      speed,
      heating: {
        watts,
        lossPerKelvin: USUAL.lossPerKelvin,
        roomCelsius: USUAL.roomCelsius,
        waterBoils,
        potJoulesPerKelvin: USUAL.potJoulesPerKelvin,
        elevationFactor: 1,
      },
      state: { seconds: 0, celsius, contents, boils: false },
      bulb: celsius,
      additions: [],
    };
    this.timer = setInterval(() => {
      this.read();
    }, READS_EVERY_MS);
    this.timer.unref();
  }

  /** Reads as often as a probe would have in the time that has passed, at the speed of the pot. */
  private read(): void {
    const { cook } = this;
    if (!cook) return;
    const now = ((Date.now() - cook.began) / 1000) * cook.speed;
    const step = READS_EVERY_MS / 1000;
    while (cook.state.seconds + step <= now) {
      cook.state = cookFor(cook.state, cook.heating, step, cook.additions).state;
      const read = readProbe(cook.bulb, cook.state.celsius, step, this.faults, Math.random);
      cook.bulb = read.bulb;
      const at = new Date(cook.began + cook.state.seconds * 1000).toISOString();
      // A reading that does not come is not sent.
      if (read.reads === null) continue;
      const celsius = Math.round((read.reads + cook.offsetKelvin) * 10) / 10;
      this.probe.tell({ device: 'probe', at, celsius });
    }
    if (cook.state.seconds > FORGETS_SECONDS) this.stop();
  }

  private stop(): void {
    if (this.timer) clearInterval(this.timer);
    this.timer = null;
    this.cook = null;
  }

  onModuleDestroy(): void {
    this.stop();
  }
}
