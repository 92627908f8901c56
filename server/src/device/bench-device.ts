import type { DeviceMessage } from '@usual-pantry/core/device';

/** Injection token of the {@link BenchDevices}. */
export const BENCH_DEVICES = Symbol('BENCH_DEVICES');

/** Something at the bench that reads by itself: a probe, a scale, a hygrometer. */
export interface BenchDevice<Message extends DeviceMessage = DeviceMessage> {
  /** Tells every reading from now on. @returns what ends that */
  listen: (tell: (message: Message) => void) => () => void;
}

/** One of each kind. */
export interface BenchDevices {
  readonly probe: BenchDevice<Extract<DeviceMessage, { device: 'probe' }>>;
  readonly scale: BenchDevice<Extract<DeviceMessage, { device: 'scale' }>>;
  readonly hygrometer: BenchDevice<Extract<DeviceMessage, { device: 'hygrometer' }>>;
}
