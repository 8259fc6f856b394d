// Camera and microphone at the room's own origin: off until switched on; what goes wrong is noticed and explained.

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

function reasonOf(error) {
  if (error.name === 'NotAllowedError')
    return /dismiss/i.test(error.message) ? 'dismissed' : 'refused';
  if (error.name === 'NotFoundError' || error.name === 'OverconstrainedError') return 'missing';
  return 'busy';
}

/** What went wrong, step by step, with a way to try again. */
function explain(place, what, reason, again) {
  const [first, ...steps] = HELP[reason](what);
  const list = document.createElement('ol');
  list.append(
    ...steps.map((text) => Object.assign(document.createElement('li'), { textContent: text })),
  );
  place.replaceChildren(
    Object.assign(document.createElement('p'), { textContent: first }),
    list,
    Object.assign(document.createElement('button'), {
      type: 'button',
      textContent: 'Try again',
      onclick: again,
    }),
  );
}

/** One device: `kind` is audio or video, `what` its name in words, `tell(on)` says to the room what it is now. */
export function device({ kind, what, help, tell, show }) {
  let stream = null;

  async function off() {
    stream?.getTracks().forEach((track) => track.stop());
    stream = null;
    show(null);
    await tell(false);
  }

  async function on() {
    help.replaceChildren();
    if (!navigator.mediaDevices) return explain(help, what, 'refused', on);
    try {
      stream = await navigator.mediaDevices.getUserMedia({ [kind]: true });
    } catch (error) {
      stream = null;
      return explain(help, what, reasonOf(error), on);
    }
    stream.getTracks()[0].addEventListener('ended', () => {
      void off();
      explain(help, what, 'lost', on);
    });
    show(stream);
    if (!(await tell(true))) await off();
  }

  // Allowed in the browser's own menu after a refusal: the explanation goes away by itself.
  navigator.permissions?.query({ name: kind === 'audio' ? 'microphone' : 'camera' }).then(
    (permission) => {
      permission.addEventListener('change', () => {
        if (permission.state === 'granted') help.replaceChildren();
      });
    },
    () => {},
  );

  return { on, off, isOn: () => stream !== null };
}

/** Shows the loudness of a stream on a meter, ten times a second; null stops it. */
export function levelOn(meter) {
  let audio = null;
  let timer = 0;
  return (stream) => {
    clearInterval(timer);
    void audio?.close();
    audio = null;
    meter.hidden = stream === null;
    if (!stream) return;
    audio = new AudioContext();
    const analyser = audio.createAnalyser();
    audio.createMediaStreamSource(stream).connect(analyser);
    const samples = new Float32Array(analyser.fftSize);
    timer = setInterval(() => {
      analyser.getFloatTimeDomainData(samples);
      meter.value = Math.min(
        1,
        4 * Math.sqrt(samples.reduce((sum, v) => sum + v * v, 0) / samples.length),
      );
    }, 100);
  };
}
