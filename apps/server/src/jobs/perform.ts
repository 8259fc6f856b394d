import type { Role } from '@glen/core';
import type { Glen } from '../glen.js';
import type { VideoService } from '../outside/videoService.js';
import { tellNext } from '../features/evening/tellNext.js';
import { holdRules } from '../features/desk/roomRules.js';
import { lookAfterSlots } from '../features/desk/slotTurns.js';
import { gatherEntries } from '../features/guest/gatherEntries.js';
import { sendLetter } from '../features/mail/letters.js';
import { gatherCodes } from '../features/mail/askedCode.js';
import { gatherDates } from '../features/mail/changedDates.js';
import { tellReplaced } from '../features/mail/replacedLink.js';
import { gatherWords } from '../features/mail/gather.js';
import { tellWeek } from '../features/register/weekWord.js';
import { tellMorning } from '../features/myDay/morning.js';
import { reconcilePost } from '../features/post/reconcilePost.js';
import { lookAfterAppointments, tellChanges } from '../features/appointment/look.js';
import { lookAfterPoll } from '../features/poll/settle.js';
import { lookByItself, syncPlacement } from '../features/post/sync.js';
import type { Job, JobKind } from './job.js';

type Work = (glen: Glen, job: Job) => Promise<void>;

/** Asked of the video service; a room of one that is set up no more is nobody's. */
const inRoom =
  (ask: (video: VideoService, room: string, job: Job) => Promise<void>): Work =>
  async ({ video }, job) => {
    if (video) await ask(video, String(job.payload.room), job);
  };

/** What has become of a class period's sessions and doors, for those who come to them and for their guests' calendars. */
async function gatherOfClass(glen: Glen, classId: number): Promise<void> {
  await gatherDates(glen, classId);
  await gatherCodes(glen, classId);
  await gatherEntries(glen, classId);
}

const WORK: Record<JobKind, Work> = {
  placement: (glen, job) => syncPlacement(glen, Number(job.subject)),
  post: (glen, job) => reconcilePost(glen, Number(job.subject)),
  look: (glen, job) => lookByItself(glen, Number(job.subject)),
  'room-rules': (glen, job) => holdRules(glen, Number(job.subject)),
  letter: (glen, job) => sendLetter(glen, Number(job.subject)),
  gather: (glen, { subject }) => {
    const [, of, id] = /^(class|link):(\d+)$/.exec(subject) ?? [];
    if (of === 'class') return gatherOfClass(glen, Number(id));
    return of === 'link' ? tellReplaced(glen, Number(id)) : gatherWords(glen, Number(subject));
  },
  morning: (glen, job) => tellMorning(glen, job.subject),
  week: (glen, job) => tellWeek(glen, job.subject),
  'end-room': inRoom((video, _room, { subject }) => video.endRoom(subject)),
  'room-word': inRoom((video, room, { payload: { visitor, text } }) =>
    video.say(room, Number(visitor), String(text)),
  ),
  slots: (glen, job) => lookAfterSlots(glen, Number(job.subject)),
  programme: (glen, job) => tellNext(glen, job.subject),
  appointments: (glen, { subject }) => {
    const [id, told] = subject.split(':');
    return told ? tellChanges(glen, Number(id)) : lookAfterAppointments(glen, Number(id));
  },
  poll: (glen, job) => lookAfterPoll(glen, Number(job.subject)),
  'drop-recording': async ({ video }, { subject }) => video?.dropRecording(subject),
  'put-out': inRoom((video, room, { payload: { visitor, why } }) =>
    video.putOut(room, Number(visitor), why === 'left' ? 'left' : 'put-out'),
  ),
  'set-role': inRoom((video, room, { payload: { visitor, role } }) =>
    video.setRole(room, Number(visitor), role as Role),
  ),
  mute: inRoom((video, room, { payload: { visitor } }) =>
    video.mute(room, visitor === undefined ? 'all' : Number(visitor)),
  ),
  'let-share': inRoom((video, room, { payload: { visitor, may } }) =>
    video.letShare(room, Number(visitor), may === 1),
  ),
};

/** Does what a job is for; throws OutsideError where a service outside did not do it. */
export const perform: Work = (glen, job) => WORK[job.kind](glen, job);
