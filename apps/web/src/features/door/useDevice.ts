import { useCallback, useEffect, useRef, useState } from 'react';
import {
  closeDevice,
  openDevice,
  whenAllowed,
  whenLost,
  type DeviceKind,
  type DeviceTrouble,
} from '@glen/devices';

/** A camera or a microphone: off until it is switched on, off again as the page is left. */
export function useDevice(kind: DeviceKind) {
  const [stream, setStream] = useState<MediaStream | null>(null);
  const [trouble, setTrouble] = useState<DeviceTrouble | null>(null);
  const [isAsking, setAsking] = useState(false);
  // Whoever leaves while the browser still asks must not leave a device on.
  const isHere = useRef(false);
  const held = useRef<MediaStream | null>(null);

  const switchOff = useCallback((): void => {
    closeDevice(held.current);
    held.current = null;
    setStream(null);
  }, []);
  useEffect(() => {
    isHere.current = true;
    // Allowed in the browser's own menu after a refusal: the explanation goes away by itself.
    whenAllowed(kind, () => setTrouble(null));
    return () => {
      isHere.current = false;
      closeDevice(held.current);
    };
  }, [kind]);

  const switchOn = async (): Promise<void> => {
    setTrouble(null);
    setAsking(true);
    const opened = await openDevice(kind);
    if (!isHere.current) return closeDevice(opened.stream ?? null);
    setAsking(false);
    if (!opened.stream) return setTrouble(opened.trouble);
    held.current = opened.stream;
    whenLost(opened.stream, () => {
      switchOff();
      setTrouble('lost');
    });
    setStream(opened.stream);
  };
  return { kind, stream, trouble, isAsking, switchOn: () => void switchOn(), switchOff };
}

export type Device = ReturnType<typeof useDevice>;
