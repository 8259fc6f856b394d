import { Camera, CameraOff, Mic, MicOff } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { deviceInWords, followLevel, helpFor } from '@glen/devices';
import { Button } from '../../ui/Button.js';
import { useDevice, type Device } from './useDevice.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

const SIGNS = { audio: { on: Mic, off: MicOff }, video: { on: Camera, off: CameraOff } };

/** What went wrong, step by step, with a way to try again. */
function Help({ device: { kind, trouble, switchOn } }: { device: Device }) {
  if (!trouble) return null;
  const { problem, steps } = helpFor(kind, trouble);
  return (
    <div role="alert" className="mt-2 rounded-small bg-gorse-tint p-3 text-md text-gorse-deep">
      <p className="font-semibold">{problem}</p>
      <ol className="mt-1 list-decimal pl-5">
        {steps.map((step) => (
          <li key={step}>{step}</li>
        ))}
      </ol>
      <Button className="mt-2" onClick={switchOn}>
        {say.tryAgain}
      </Button>
    </div>
  );
}

function Switch({ device: { kind, stream, isAsking, switchOn, switchOff } }: { device: Device }) {
  const name = deviceInWords(kind);
  const Sign = stream ? SIGNS[kind].on : SIGNS[kind].off;
  return (
    <Button onClick={stream ? switchOff : switchOn}>
      <Sign size={16} aria-hidden="true" />
      {isAsking
        ? fill(say.askingForTheDots, { name })
        : fill(stream ? say.switchOff : say.switchOn, { name })}
    </Button>
  );
}

function OwnPicture({ stream }: { stream: MediaStream }) {
  const video = useRef<HTMLVideoElement>(null);
  useEffect(() => {
    video.current!.srcObject = stream;
  }, [stream]);
  return (
    <video
      ref={video}
      autoPlay
      muted
      playsInline
      aria-label={say.yourOwnPicture}
      className="mt-2 aspect-video w-full rounded-small bg-ink object-cover"
    />
  );
}

function Level({ stream }: { stream: MediaStream }) {
  const [level, setLevel] = useState(0);
  useEffect(() => followLevel(stream, setLevel), [stream]);
  return (
    <p className="mt-2 flex items-center gap-2.5 text-sm text-soft">
      {say.saySomething}
      <meter
        min={0}
        max={1}
        value={level}
        aria-label={say.levelOfYourMicrophone}
        className="min-w-0 flex-1"
      />
    </p>
  );
}

/** Tries what somebody has, before they go in: on this page alone, whatever room stands behind. */
function Devices() {
  const microphone = useDevice('audio');
  const camera = useDevice('video');
  return (
    <>
      <p className="mt-2 text-sm text-soft">{say.onThisPageAloneNobody}</p>
      <div className="mt-2 flex flex-wrap gap-2">
        <Switch device={microphone} />
        <Switch device={camera} />
      </div>
      {microphone.stream && <Level stream={microphone.stream} />}
      {camera.stream && <OwnPicture stream={camera.stream} />}
      <Help device={microphone} />
      <Help device={camera} />
    </>
  );
}

/** Camera and microphone at the door: off, and not even asked for, until somebody tries them. */
export function TryDevices() {
  const [isOpen, setOpen] = useState(false);
  return (
    <details
      className="mt-5 border-t border-line pt-4"
      onToggle={(event) => setOpen(event.currentTarget.open)}
    >
      <summary className="cursor-pointer">{say.tryYourCameraAndMicrophone}</summary>
      {isOpen && <Devices />}
    </details>
  );
}
