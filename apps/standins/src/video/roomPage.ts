import { escape, page } from '../page.js';
import type { Room } from './store.js';

/** Sample slides that can be shared; drawn by the page. */
export const SLIDES = ['Tide table', 'Chart symbols', 'Rules of the road', 'Three knots'];

/** The page of a room without video: devices, what is shown, who sits here, what is said. */
export function roomPage(room: Room): string {
  const options = SLIDES.map((name, i) => `<option value="${i + 1}">${escape(name)}</option>`).join(
    '',
  );
  return page({
    title: room.wish.title,
    style: 'room.css',
    script: 'room.js',
    body: `<main data-room="${escape(room.room)}">
  <h1>${escape(room.wish.title)}</h1>
  <p id="you"></p>
  <p id="said" role="status"></p>
  <p><button id="leave" type="button">Leave the room</button></p>
  <section id="leaving" role="alertdialog" aria-labelledby="leaving-head" hidden><h2 id="leaving-head">You are the only host here</h2>
    <p id="left-behind"></p>
    <p><button id="stay" type="button">Stay</button> <button id="leave-all-the-same" type="button">Leave all the same</button></p></section>
  <section aria-labelledby="devices"><h2 id="devices">Your devices</h2>
    <div class="device"><button id="mic" type="button"></button> <meter id="level" min="0" max="1" value="0" aria-label="Level of your microphone" hidden></meter><div id="mic-help" role="alert"></div></div>
    <div class="device"><button id="camera" type="button"></button> <video id="preview" autoplay muted playsinline aria-label="Your own picture" hidden></video><div id="camera-help" role="alert"></div></div>
    <p class="small">Both are off until you switch them on. Sound and picture stay on this page; other seats see only whether they are on.</p>
  </section>
  <section aria-labelledby="floor"><h2 id="floor">The floor</h2>
    <p id="controls"></p>
    <p id="share" hidden><label>Slide <select id="slide">${options}</select></label> <button id="share-it" type="button">Share it</button></p>
    <figure id="shared" hidden><figcaption id="shared-by"></figcaption><div id="shared-slide"></div></figure>
  </section>
  <table><caption>Seats</caption><thead><tr><th scope="col">Name</th><th scope="col">Role</th><th scope="col">Microphone</th><th scope="col">Camera</th><th scope="col">Floor</th></tr></thead><tbody id="seats"></tbody></table>
  <section aria-labelledby="chat-head"><h2 id="chat-head">Chat</h2><p id="chat-off" hidden>Chat is off in this room.</p><ol id="chat"></ol>
    <form id="chat-form"><label>Say <input id="chat-text" maxlength="2000" autocomplete="off"></label> <button>Send</button></form></section>
  <section aria-labelledby="rules"><h2 id="rules">What this room keeps</h2><ul id="rule-list"></ul></section>
  <p id="host" hidden><label>Add <input id="count" type="number" min="1" max="60" value="8"> simulated students</label> <button id="simulate" type="button">Send them to the door</button></p>
</main>`,
  });
}
