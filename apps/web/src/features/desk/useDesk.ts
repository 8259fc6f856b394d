import type { Answer, DeskVisitor } from '@glen/contract';
import { toast } from '../../ui/toast.js';
import { api, problemOf } from '../../app/api.js';
import { openDoor } from './openDoor.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

export type Desk = Answer<'desk'>;

/** What can be done at one door's desk, each with its trouble told. The page and its small form share it. */
export function useDeskActions(linkId: number) {
  const [open, opening] = api.useOpenDoorMutation();
  const [end] = api.useCloseRoomMutation();
  const [askForAccount] = api.useAskForAccountMutation();
  const [letAll] = api.useLetAllInMutation();
  const [letIn] = api.useLetInMutation();
  const [turnAway] = api.useTurnAwayMutation();
  const [putOut] = api.usePutOutMutation();
  const [letBack] = api.useLetBackMutation();
  const [letPresent] = api.useLetPresentMutation();
  const [mute] = api.useMuteVisitorMutation();
  const [muteAll] = api.useMuteAllMutation();
  const [letShare] = api.useLetShareMutation();
  const [letAllShare] = api.useLetAllShareMutation();
  const [setChime] = api.useSetChimeMutation();
  const [sayWho] = api.useSayWhoMutation();
  const [presence] = api.useHostPresenceMutation();
  const [extend] = api.useExtendSessionMutation();
  const tell = async (answer: Promise<{ error?: unknown }>): Promise<boolean> => {
    const { error } = await answer;
    if (error)
      toast.error(
        problemOf(error)?.errors?.[0]?.message ?? problemOf(error)?.title ?? say.thatDidNotWork,
      );
    return !error;
  };
  const params = { linkId };
  return {
    opening: opening.isLoading,
    open: () => void openDoor(open, linkId),
    /** The same with the address of a room, where none is there yet; gives what was wrong. */
    openWith: (room: string) => openDoor(open, linkId, { room: room || undefined }),
    presence: (inside: boolean) => void tell(presence({ params, body: { inside } })),
    end: () => void tell(end({ params })),
    askForAccount: () => void tell(askForAccount({ params })),
    letAllIn: (only?: 'roll') => void tell(letAll({ params, body: only ? { only } : {} })),
    letIn: (visitorId: number) => void tell(letIn({ params: { visitorId } })),
    turnAway: (visitorId: number, word: string) =>
      tell(turnAway({ params: { visitorId }, body: { word } })),
    putOut: (visitorId: number) => void tell(putOut({ params: { visitorId } })),
    letBack: (visitorId: number) => void tell(letBack({ params: { visitorId } })),
    letPresent: (visitorId: number, presents: boolean) =>
      void tell(letPresent({ params: { visitorId }, body: { presents } })),
    mute: (visitorId: number) => void tell(mute({ params: { visitorId } })),
    muteAll: () => void tell(muteAll({ params })),
    letShare: (visitorId: number, shares: boolean) =>
      void tell(letShare({ params: { visitorId }, body: { shares } })),
    setChime: (chime: boolean) => void tell(setChime({ params, body: { chime } })),
    letAllShare: (share: boolean) => void tell(letAllShare({ params, body: { share } })),
    sayWho: (visitorId: number, personId: number | null) =>
      void tell(sayWho({ params: { visitorId }, body: { personId } })),
    extend: (minutes: number) => tell(extend({ params, body: { minutes } })),
  };
}
export type DeskActions = ReturnType<typeof useDeskActions>;

/** What somebody is called where nothing else stands beside it: without an account nobody has proven who they are. */
export const calledAt = ({ name, account }: DeskVisitor): string =>
  account === 'none' ? fill(say.notSignedIn, { name }) : name;

/** Who would stay behind if this host left now: all but hosts. */
export const leftBehind = ({ inside }: Desk): string[] =>
  inside.filter((v) => v.role !== 'host').map(calledAt);

/** Whether nobody else hosts in the room. */
export const isLastHost = ({ inside, own }: Desk): boolean =>
  own !== null && !inside.some((v) => v.role === 'host' && v.id !== own);

/** What the main button does as things stand. */
export function openLabel(desk: Desk): string {
  if (desk.door === 'open') return desk.own === null ? say.goIn : say.toTheRoomAgain;
  return desk.door === 'ended' ? say.openItAgain : say.openTheDoorNow;
}
