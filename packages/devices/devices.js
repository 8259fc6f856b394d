// Camera and microphone in a browser, for pages that try them: at Glen's door, and in a room. Served as it stands.

const HELP = {
  refused: (what) => [
    `Your browser was told not to let this page use the ${what}.`,
    'Press the sign to the left of the address.',
    `Set ${what} to “allow”.`,
    'Then press “Try again” here.',
  ],
  dismissed: (what) => [
    `The question about the ${what} was closed without an answer.`,
    'Press “Try again” here.',
    'When the browser asks, choose “allow”.',
  ],
  missing: (what) => [
    `No ${what} was found.`,
    `Plug one in or switch it on, then press “Try again”.`,
    'You can take part without.',
  ],
  busy: (what) => [`Another program holds the ${what}.`, 'Close it there, then press “Try again”.'],
  lost: (what) => [
    `The ${what} went away while it was on.`,
    'Plug it in again, then press “Try again”.',
  ],
};

const WORDS = { audio: 'microphone', video: 'camera' };

export const deviceInWords = (kind) => WORDS[kind];

export function helpFor(kind, trouble) {
  const [problem, ...steps] = HELP[trouble](WORDS[kind]);
  return { problem, steps };
}

function troubleOf(error) {
  if (error.name === 'NotAllowedError')
    return /dismiss/i.test(error.message) ? 'dismissed' : 'refused';
  if (error.name === 'NotFoundError' || error.name === 'OverconstrainedError') return 'missing';
  return 'busy';
}

export async function openDevice(kind) {
  // Over plain http a page is given none.
  if (!navigator.mediaDevices) return { trouble: 'refused' };
  try {
    return { stream: await navigator.mediaDevices.getUserMedia({ [kind]: true }) };
  } catch (error) {
    return { trouble: troubleOf(error) };
  }
}

export const closeDevice = (stream) => stream?.getTracks().forEach((track) => track.stop());

export const whenLost = (stream, tell) => stream.getTracks()[0].addEventListener('ended', tell);

export function whenAllowed(kind, tell) {
  const listen = (permission) =>
    permission.addEventListener('change', () => {
      if (permission.state === 'granted') tell();
    });
  navigator.permissions?.query({ name: WORDS[kind] }).then(listen, () => {});
}

const TELL_EVERY_MS = 100;

export function followLevel(stream, tell) {
  const audio = new AudioContext();
  const analyser = audio.createAnalyser();
  audio.createMediaStreamSource(stream).connect(analyser);
  const samples = new Float32Array(analyser.fftSize);
  const timer = setInterval(() => {
    analyser.getFloatTimeDomainData(samples);
    const power = samples.reduce((sum, v) => sum + v * v, 0) / samples.length;
    // Speech near a microphone is about a quarter of what it can take.
    tell(Math.min(1, 4 * Math.sqrt(power)));
  }, TELL_EVERY_MS);
  return () => {
    clearInterval(timer);
    void audio.close();
  };
}
