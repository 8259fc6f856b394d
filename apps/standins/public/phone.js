// A telephone: dials, keys in a pin, hears what is said, speaks, hangs up.
import { newest } from './newest.js';

const byId = (id) => document.getElementById(id);
let call = null;
let stream = null;
let goes = null;

const hear = (text) => {
  byId('heard').textContent = text;
};

async function ask(path, body) {
  const answer = await fetch(`/phone/calls${path}`, {
    method: body === undefined ? 'GET' : 'POST',
    headers: { 'Content-Type': 'application/json' },
    ...(body === undefined ? {} : { body: JSON.stringify(body) }),
  });
  const read = await answer.json();
  if (!answer.ok) hear(read.title);
  return answer.ok ? read : null;
}

function hangUp() {
  stream?.close();
  stream = null;
  call = null;
  byId('mic').hidden = true;
  byId('hang-up').hidden = true;
  byId('call').disabled = false;
}

const drawMic = newest(
  () => ask(`/${call}/mic`),
  (read) => {
    if (!read) return;
    byId('mic').hidden = false;
    byId('mic').dataset.on = String(read.on);
    byId('mic').textContent = read.on ? 'Mute yourself' : 'Speak';
  },
);

const OVER = {
  ended: 'The session has ended. Goodbye.',
  'put-out': 'A host has put you out. Goodbye.',
  left: 'You have left. Goodbye.',
};

/** One line of the stream: what is said while the caller waits; what happens in the room once they are in. */
function take(news) {
  if (news.over) {
    hear(OVER[news.over] ?? 'Goodbye.');
    return hangUp();
  }
  if (news.say) {
    hear(news.say);
    goes = news.goes;
    if (goes === 'over') return hangUp();
    if (goes === 'again') stopListening();
  }
  if (goes === 'in') void drawMic();
}

/** Another pin is to be keyed in; the line stays. */
function stopListening() {
  stream.close();
  byId('call').disabled = false;
  byId('pin').select();
}

byId('dial').onsubmit = async (event) => {
  event.preventDefault();
  byId('call').disabled = true;
  byId('line').hidden = false;
  byId('hang-up').hidden = false;
  const pin = byId('pin').value;
  const isAgain = call !== null && goes === 'again';
  const read = isAgain
    ? await ask(`/${call}/pin`, { pin })
    : await ask('', { from: byId('from').value, pin });
  if (!read) return hangUp();
  call ??= read.call;
  goes = null;
  stream = new EventSource(`/phone/calls/${call}/stream`);
  stream.onmessage = (event) => take(JSON.parse(event.data));
  // A line that broke off is not dialled again by itself.
  stream.onerror = () => {
    if (goes === 'again' || stream === null) return;
    hear('The line is dead.');
    hangUp();
  };
};
byId('hang-up').onclick = () => {
  hear('You have hung up.');
  hangUp();
};
byId('mic').onclick = async () => {
  await ask(`/${call}/mic`, { on: byId('mic').dataset.on !== 'true' });
  await drawMic();
};
