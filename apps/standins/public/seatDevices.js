// Camera and microphone of a seat: off until switched on; what goes wrong is noticed and explained in the room's page.
import { closeDevice, followLevel, helpFor, openDevice, whenAllowed, whenLost } from './devices.js';

const element = (name, props) => Object.assign(document.createElement(name), props);

/** What went wrong, step by step, with a way to try again. */
function explain(place, { problem, steps }, again) {
  const list = element('ol');
  list.append(...steps.map((textContent) => element('li', { textContent })));
  place.replaceChildren(
    element('p', { textContent: problem }),
    list,
    element('button', { type: 'button', textContent: 'Try again', onclick: again }),
  );
}

/** One device: `kind` is audio or video, `tell(on)` says to the room what it is now, `show` what it gives, null for nothing. */
export function device({ kind, help, tell, show }) {
  let stream = null;

  async function off() {
    closeDevice(stream);
    stream = null;
    show(null);
    await tell(false);
  }

  async function on() {
    help.replaceChildren();
    const opened = await openDevice(kind);
    if (opened.trouble) return explain(help, helpFor(kind, opened.trouble), on);
    stream = opened.stream;
    whenLost(stream, () => {
      void off();
      explain(help, helpFor(kind, 'lost'), on);
    });
    show(stream);
    if (!(await tell(true))) await off();
  }

  // Allowed in the browser's own menu after a refusal: the explanation goes away by itself.
  whenAllowed(kind, () => help.replaceChildren());
  return { on, off, isOn: () => stream !== null };
}

/** Shows the loudness of a stream on a meter; null stops it. */
export function levelOn(meter) {
  let stop = () => {};
  return (stream) => {
    stop();
    meter.hidden = stream === null;
    stop = stream
      ? followLevel(stream, (level) => {
          meter.value = level;
        })
      : () => {};
  };
}
