/** What a step may need to be done with. */
export const devices = ["any", "computer", "tablet", "phone", "camera", "microphone", "printer", "none"] as const;
export type Device = (typeof devices)[number];

const deviceNames: Record<Device, string> = {
  any: "any device",
  computer: "a computer",
  tablet: "a tablet",
  phone: "a phone",
  camera: "a camera",
  microphone: "a microphone",
  printer: "a printer",
  none: "no device at all",
};
/** `deviceName("tablet")` gives `"a tablet"`. */
export const deviceName = (device: Device): string => deviceNames[device];
