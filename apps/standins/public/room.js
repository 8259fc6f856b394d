// The page of a room without video: who is here, who speaks, what is shown, what is said.
import { newest } from './newest.js';
import { device, levelOn } from './seatDevices.js';
import { slide } from './slides.js';

const main = document.querySelector('main');
const base = `/room/${main.dataset.room}`;
const byId = (id) => document.getElementById(id);
const say = (text) => {
  byId('said').textContent = text;
};
let state = null;

async function post(path, body) {
  try {
    const answer = await fetch(`${base}/${path}`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(body),
    });
    const read = await answer.json();
    if (!answer.ok) say(read.title);
    return answer.ok ? read : null;
  } catch {
    say('The room cannot be reached just now.');
    return null;
  }
}

const OVER = {
  ended: ['The room is closed', 'Everyone has left. You can close this page.'],
  'put-out': ['You were put out', 'A host has put you out of this room.'],
  left: ['You have left', 'You can close this page, or come back through the door.'],
};

function over(why) {
  stream.close();
  state = null;
  for (const each of [mic, camera]) if (each.isOn()) void each.off();
  const [title, text] = OVER[why] ?? OVER['put-out'];
  main.replaceChildren(
    Object.assign(document.createElement('h1'), { textContent: title }),
    Object.assign(document.createElement('p'), { textContent: text }),
  );
}

const mic = device({
  kind: 'audio',
  help: byId('mic-help'),
  tell: (on) => post(on ? 'speak' : 'hush', { on }),
  show: levelOn(byId('level')),
});
const camera = device({
  kind: 'video',
  help: byId('camera-help'),
  tell: (on) => post(on ? 'look' : 'hide', { on }),
  show: (shown) => {
    byId('preview').srcObject = shown;
    byId('preview').hidden = shown === null;
  },
});
byId('mic').onclick = () => void (mic.isOn() ? mic.off() : mic.on()).then(drawDevices);
byId('camera').onclick = () => void (camera.isOn() ? camera.off() : camera.on()).then(drawDevices);

function drawDevices() {
  if (!state) return;
  const { may } = state.you;
  const words = (what, on, allowed, not) => (allowed ? `${what} ${on ? 'off' : 'on'}` : not);
  Object.assign(byId('mic'), {
    textContent: words('Microphone', mic.isOn(), may.speak, 'The host keeps microphones off'),
    disabled: !may.speak && !mic.isOn(),
  });
  Object.assign(byId('camera'), {
    textContent: words('Camera', camera.isOn(), may.camera, 'Cameras are off in this room'),
    disabled: !may.camera && !camera.isOn(),
  });
}

const cells = (...texts) => {
  const row = document.createElement('tr');
  row.append(
    ...texts.map((text) => Object.assign(document.createElement('td'), { textContent: text })),
  );
  return row;
};
const button = (id, text, press) =>
  Object.assign(document.createElement('button'), {
    id,
    type: 'button',
    textContent: text,
    onclick: press,
  });

const WHO = { hosts: 'hosts', presenters: 'hosts and presenters', everyone: 'everyone' };
const CAMERAS = { off: 'off', choice: 'as they like', on: 'asked to be on' };
const ROLES = { host: 'host', presenter: 'presenter', participant: 'inside', watcher: 'watching' };
function rulesInWords({ rules, recording, keepsChat }) {
  return [
    rules.arriveMuted ? 'People arrive muted.' : 'People arrive with their microphone open.',
    rules.mayUnmute ? 'Everyone may speak.' : 'Only hosts and presenters speak.',
    `Cameras: hosts ${CAMERAS[rules.hostCamera]}, others ${CAMERAS[rules.camera]}.`,
    `Slides are shared by ${WHO[rules.sharing]}.`,
    rules.chime ? 'Comings and goings are announced.' : 'Comings and goings are not announced.',
    recording
      ? 'This room is being recorded. As it carries no sound and no pictures, a tone stands for them.'
      : 'Nothing is recorded.',
    keepsChat
      ? 'What is written in the chat is kept after the end.'
      : 'What is written in the chat goes with the room.',
  ];
}

function draw() {
  const { you, seats, rules, shared, chat } = state;
  byId('you').textContent = `You are ${you.name}, ${ROLES[you.role]}.`;
  byId('seats').replaceChildren(
    ...seats.map((s) =>
      cells(
        s.name,
        ROLES[s.role],
        s.microphone,
        s.camera,
        [s.presenting && 'has the floor', s.sharing && 'shares'].filter(Boolean).join(', '),
      ),
    ),
  );
  const controls = [];
  if (you.may.present)
    controls.push(
      button('floor', you.presenting ? 'Leave the floor' : 'Take the floor', () =>
        post('floor', { taken: !you.presenting }),
      ),
    );
  if (you.may.record)
    controls.push(
      button('record', state.recording ? 'Stop recording' : 'Record', () =>
        post('record', { on: !state.recording }),
      ),
    );
  if (rules.camera === 'on' && you.camera === 'off' && you.may.camera && you.role !== 'host')
    say('This room asks for cameras: please switch yours on.');
  byId('controls').replaceChildren(...controls);
  byId('share').hidden = !you.may.share;
  byId('share-it').textContent = you.slide > 0 ? 'Stop sharing' : 'Share it';
  byId('shared').hidden = shared === null;
  if (shared) {
    byId('shared-by').textContent = `${shared.by} shares`;
    byId('shared-slide').replaceChildren(slide(shared.slide));
  }
  byId('chat-off').hidden = rules.chat;
  byId('chat-form').hidden = !you.may.chat;
  byId('chat').replaceChildren(
    ...chat.map(({ name, text }) => {
      const line = document.createElement('li');
      line.append(Object.assign(document.createElement('b'), { textContent: `${name}: ` }), text);
      return line;
    }),
  );
  byId('rule-list').replaceChildren(
    ...rulesInWords(state).map((text) =>
      Object.assign(document.createElement('li'), { textContent: text }),
    ),
  );
  byId('host').hidden = !you.may.send;
  // A rule or a role that changed may have taken a device away.
  if (mic.isOn() && !you.may.speak) void mic.off();
  if (camera.isOn() && !you.may.camera) void camera.off();
  drawDevices();
}

const look = newest(
  async () => {
    const answer = await fetch(`${base}/state`);
    return { status: answer.status, read: answer.status === 410 ? null : await answer.json() };
  },
  ({ status, read }) => {
    if (status === 410) return over('ended');
    if (status === 403) return over(read.title);
    state = read;
    draw();
  },
);

let chimes = null;
function chime(text) {
  say(text);
  chimes ??= new AudioContext();
  const tone = chimes.createOscillator();
  const volume = chimes.createGain();
  tone.frequency.value = 523;
  volume.gain.setValueAtTime(0.06, chimes.currentTime);
  volume.gain.exponentialRampToValueAtTime(0.0001, chimes.currentTime + 0.3);
  tone.connect(volume).connect(chimes.destination);
  tone.start();
  tone.stop(chimes.currentTime + 0.3);
}

/** Who would be without a host if whoever sits here left now. */
function leftBehind() {
  if (state?.you.role !== 'host') return [];
  const hosts = state.seats.filter((s) => s.role === 'host');
  return hosts.length > 1 ? [] : state.seats.filter((s) => s.role !== 'host');
}

const leave = () => post('leave', {});
byId('leave').onclick = () => {
  const names = leftBehind().map((s) => s.name);
  if (names.length === 0) return void leave();
  byId('left-behind').textContent = `Still inside: ${names.join(', ')}. Nobody hosts them then.`;
  byId('leaving').hidden = false;
  byId('stay').focus();
};
byId('stay').onclick = () => {
  byId('leaving').hidden = true;
  byId('leave').focus();
};
byId('leave-all-the-same').onclick = () => void leave();
// A tab that is closed by mistake would leave them alone as well: the browser asks.
window.addEventListener('beforeunload', (event) => {
  if (leftBehind().length > 0) event.preventDefault();
});

byId('share-it').onclick = () =>
  post('share', { slide: state.you.slide > 0 ? 0 : Number(byId('slide').value) });
byId('chat-form').onsubmit = async (event) => {
  event.preventDefault();
  if (await post('chat', { text: byId('chat-text').value })) byId('chat-text').value = '';
};
byId('simulate').onclick = async () => {
  const answer = await post('simulate', { count: Number(byId('count').value) });
  if (answer) say(`${answer.sent} on their way.`);
};

const stream = new EventSource(`${base}/stream`);
stream.onmessage = async ({ data }) => {
  const news = JSON.parse(data);
  if (news.over) return over(news.over);
  if (news.hushed) {
    if (mic.isOn()) await mic.off();
    say('A host has switched your microphone off.');
  }
  if (news.word) say(news.word);
  await look();
  if (!state?.rules.chime) return;
  if (news.came && news.came !== state.you.name) chime(`${news.came} came in.`);
  if (news.went) chime(`${news.went} left.`);
};
