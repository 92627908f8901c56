export {
  type DeviceKind,
  deviceKinds,
  type DeviceMessage,
  deviceMessageSchema,
  readDeviceLines,
  writeDeviceLine,
} from './messages.js';
