export type DeviceKind = 'audio' | 'video';

/** Why a device could not be used, or no longer can. */
export type DeviceTrouble = 'refused' | 'dismissed' | 'missing' | 'busy' | 'lost';

/** "microphone" or "camera". */
export function deviceInWords(kind: DeviceKind): string;

/** What went wrong in one sentence, and what to do about it, step by step. */
export function helpFor(
  kind: DeviceKind,
  trouble: DeviceTrouble,
): { problem: string; steps: string[] };

/** Asks the browser for a device: gives its stream, or why there is none. */
export function openDevice(
  kind: DeviceKind,
): Promise<{ stream: MediaStream; trouble?: never } | { stream?: never; trouble: DeviceTrouble }>;

/** Switches a device off. */
export function closeDevice(stream: MediaStream | null): void;

/** Tells as a device goes away while it is on. */
export function whenLost(stream: MediaStream, tell: () => void): void;

/** Tells as somebody allows a device in the browser's own menu. */
export function whenAllowed(kind: DeviceKind, tell: () => void): void;

/** Tells the loudness of a stream, 0 to 1, ten times a second, until it is stopped. */
export function followLevel(stream: MediaStream, tell: (level: number) => void): () => void;
