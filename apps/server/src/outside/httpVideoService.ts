import { createHmac, timingSafeEqual } from 'node:crypto';
import { SignJWT } from 'jose';
import { z } from 'zod';
import type { Clock } from '../clock.js';
import { askOutside } from './outsideError.js';
import type { Seat, VideoService } from './videoService.js';

const addressBody = z.object({ address: z.url() });
const TICKET_SECONDS = 60;
const WEBHOOK_SECONDS = 300;

/** The address that lets one person in once: a ticket that is signed and soon past (docs/protocols/video-room.md, RFC 7519). */
async function ticketFor(
  { room, visitorId, name, role, shares, number }: Seat,
  { url, key, clock }: { url: string; key: Uint8Array; clock: Clock },
): Promise<string> {
  const now = Math.floor(Date.parse(clock.machine()) / 1000);
  const ticket = await new SignJWT({ room, name, role, ...(shares ? { shares } : {}) })
    .setProtectedHeader({ alg: 'HS256' })
    .setSubject(String(visitorId))
    .setJti(number)
    .setIssuedAt(now)
    .setExpirationTime(now + TICKET_SECONDS)
    .setIssuer('glen')
    .setAudience('room')
    .sign(key);
  return `${url}/room/${room}?ticket=${ticket}`;
}

interface Signed {
  time: string | undefined;
  signature: string | undefined;
  rawBody: Buffer;
}

function isSigned(
  { time, signature, rawBody }: Signed,
  { secret, clock }: { secret: string; clock: Clock },
): boolean {
  if (!time || !signature || !/^\d{1,12}$/.test(time)) return false;
  const age = Math.abs(Math.floor(Date.parse(clock.machine()) / 1000) - Number(time));
  const wanted = createHmac('sha256', secret).update(`${time}.`).update(rawBody).digest();
  const given = Buffer.from(signature, 'hex');
  return age <= WEBHOOK_SECONDS && given.length === wanted.length && timingSafeEqual(given, wanted);
}

type Ask = (path: string, method: string, body?: unknown) => Promise<Response>;

const recordingsBy = (ask: Ask): Pick<VideoService, 'recordingAddress' | 'dropRecording'> => ({
  recordingAddress: async (recording) => {
    const path = `/api/recordings/${encodeURIComponent(recording)}/address`;
    const answer: unknown = await (await ask(path, 'GET')).json();
    return addressBody.parse(answer).address;
  },
  dropRecording: async (recording) => {
    await ask(`/api/recordings/${encodeURIComponent(recording)}`, 'DELETE');
  },
});

/** The video service that speaks docs/protocols/video-room.md. It holds every room rule. */
export function httpVideoService(
  { url, secret, phone }: { url: string; secret: string; phone: string | null },
  clock: Clock,
): VideoService {
  const key = new TextEncoder().encode(secret);
  const ask: Ask = (path, method, body) =>
    askOutside('The video service', `${url}${path}`, {
      method,
      headers: { Authorization: `Bearer ${secret}`, 'Content-Type': 'application/json' },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
  return {
    phoneNumber: phone,
    holds: [
      'presenters',
      'arriveMuted',
      'mayUnmute',
      'camera',
      'hostCamera',
      'sharing',
      'chat',
      'chime',
      'recording',
    ],
    makeRoom: async ({ room, ...wish }) => {
      await ask(`/api/rooms/${room}`, 'PUT', wish);
    },
    endRoom: async (room) => {
      await ask(`/api/rooms/${room}/end`, 'POST', {});
    },
    putOut: async (room, visitorId, why) => {
      await ask(`/api/rooms/${room}/put-out`, 'POST', { visitor: String(visitorId), why });
    },
    setRole: async (room, visitorId, role) => {
      await ask(`/api/rooms/${room}/role`, 'POST', { visitor: String(visitorId), role });
    },
    setRules: async (room, rules) => {
      await ask(`/api/rooms/${room}/rules`, 'PUT', rules);
    },
    mute: async (room, visitorId) => {
      const who = visitorId === 'all' ? {} : { visitor: String(visitorId) };
      await ask(`/api/rooms/${room}/mute`, 'POST', who);
    },
    letShare: async (room, visitorId, may) => {
      await ask(`/api/rooms/${room}/let-share`, 'POST', { visitor: String(visitorId), may });
    },
    say: async (room, visitorId, text) => {
      await ask(`/api/rooms/${room}/say`, 'POST', { visitor: String(visitorId), text });
    },
    ...recordingsBy(ask),
    ticket: (seat) => ticketFor(seat, { url, key, clock }),
    isSigned: (headers, rawBody) => isSigned({ ...headers, rawBody }, { secret, clock }),
  };
}
